import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { say, WORDS } from './words'

const FILES = (readdirSync('src', { recursive: true }) as string[]).filter(
  (f) => /\.(vue|ts)$/.test(f) && !/test\.ts$|^words|schema\.ts$/.test(f),
)
const SOURCES = Object.fromEntries(FILES.map((f) => [f, readFileSync(`src/${f}`, 'utf8')]))

/** What stands between two tags and is no expression. */
function texts(template: string): string[] {
  return template
    .split(/<!--[\s\S]*?-->|<(?:[^>"']|"[^"]*"|'[^']*')*>/)
    .map((t) => t.replace(/\{\{[\s\S]*?\}\}/g, '').trim())
    .filter((t) => /[A-Za-z]{3,}/.test(t))
}

/** What an expression says itself: literals of letters that are neither words of ours nor compared with. */
function literals(expression: string): string[] {
  return [...expression.matchAll(/([=[(?]*)\s*(?:'([^']*)'|`([^`]*)`)/g)]
    .filter(([, before]) => !/==$|\[$/.test(before ?? ''))
    .map(([, , plain, pattern]) => plain ?? (pattern ?? '').replace(/\$\{[^}]*\}/g, ''))
    .filter((t) => /[A-Za-z]{2,}/.test(t) && !(t in WORDS))
}

describe('words of the screens', () => {
  it('are all said somewhere', () => {
    const all = Object.values(SOURCES).join('\n')
    expect(Object.keys(WORDS).filter((key) => !all.includes(`'${key}'`))).toEqual([])
  })

  it('stand in one place: no template has text or labels of its own', () => {
    const own = Object.entries(SOURCES)
      .filter(([f]) => f.endsWith('.vue'))
      .flatMap(([f, source]) => {
        const template = /<template>([\s\S]*)<\/template>/.exec(source)?.[1] ?? ''
        const labels = [...template.matchAll(/(?<![\w:#-])(?:label|aria-label|placeholder|title|header)="([^"]*[A-Za-z]{3,}[^"]*)"/g)].map(
          (m) => m[1],
        )
        return [...texts(template), ...labels].map((t) => `${f}: ${t}`)
      })
    expect(own).toEqual([])
  })

  it('stand in one place: no expression of a template says anything but words of that place', () => {
    const own = Object.entries(SOURCES)
      .filter(([f]) => f.endsWith('.vue'))
      .flatMap(([f, source]) => {
        const template = /<template>([\s\S]*)<\/template>/.exec(source)?.[1] ?? ''
        const said = template.matchAll(/\{\{([\s\S]*?)\}\}|\s:(?:label|aria-label|title|header|placeholder)="([^"]*)"/g)
        return [...said].flatMap((m) => literals(m[1] ?? m[2] ?? '').map((t) => `${f}: ${t}`))
      })
    expect(own).toEqual([])
  })

  it('take their values in order', () => {
    expect(say('run.instruments.oil-in', 40, 60)).toBe('● in 40 to 60')
  })
})
