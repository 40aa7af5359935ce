import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'

/** A file that is longer holds more than one idea. The generated types are nobody's to read. */
it('has no file over 250 lines', () => {
  const files = (readdirSync('src', { recursive: true }) as string[]).filter((f) => /\.(vue|ts|css)$/.test(f) && !f.endsWith('schema.ts'))
  const long = files
    .map((f) => `${f}: ${readFileSync(`src/${f}`, 'utf8').split('\n').length - 1}`)
    .filter((f) => Number(f.split(': ')[1]) > 250)
  expect(files.length).toBeGreaterThan(80)
  expect(long).toEqual([])
})
