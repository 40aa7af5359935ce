import { describe, expect, it } from 'vitest'
import { graduation, spread } from '../staff/layout'
import { pressureNumber, toBar, turnsText, typedNumber } from './quantity'

describe('quantities at the screen', () => {
  it('shows a pressure in each unit and brings it back', () => {
    expect(pressureNumber(176, 'bar')).toBe('176')
    expect(pressureNumber(176, 'bar', true)).toBe('176.0')
    expect(pressureNumber(176, 'psi')).toBe('2553')
    expect(pressureNumber(176, 'MPa')).toBe('17.60')
    expect(toBar(2553, 'psi')).toBeCloseTo(176, 1)
  })
  it('reads numbers as they are typed', () => {
    expect(typedNumber('143,5')).toBe(143.5)
    expect(typedNumber(' 7 ')).toBe(7)
    for (const bad of ['', '1e3', '12 bar', '1,2,3', '-']) expect(typedNumber(bad)).toBeNaN()
  })
  it('says turns in sixteenths', () => {
    expect(turnsText(-0.0625)).toBe('1/16')
    expect(turnsText(2.125)).toBe('2 1/8')
    expect(turnsText(1)).toBe('1')
    expect(turnsText(0.5)).toBe('1/2')
  })
})

describe('the staff', () => {
  it('moves flags apart without changing their order', () => {
    const at = spread([100, 102, 101, 300], 40, 0, 400)
    expect(at[0]).toBeLessThan(at[2] ?? 0)
    expect(at[2]).toBeLessThan(at[1] ?? 0)
    const sorted = [...at].sort((a, b) => a - b)
    sorted.slice(1).forEach((y, i) => expect(y - (sorted[i] ?? 0)).toBeGreaterThanOrEqual(40))
  })
  it('keeps flags on the board', () => {
    expect(Math.max(...spread([395, 396, 397], 40, 0, 400))).toBeLessThanOrEqual(400)
    expect(Math.min(...spread([1, 2, 3], 40, 10, 400))).toBeGreaterThanOrEqual(10)
  })
  it('graduates in ones, twos or fives', () => {
    expect(graduation(260, 13)).toBe(20)
    expect(graduation(3770, 13)).toBe(500)
    expect(graduation(26, 13)).toBe(2)
  })
})
