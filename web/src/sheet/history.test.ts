import { expect, it } from 'vitest'
import { useHistory } from './history'

it('goes back and forth, takes quick changes as one, forgets what was undone once something new is done', () => {
  const h = useHistory()
  h.begin('a')
  h.note('b', 1000)
  h.note('bc', 1200)
  h.note('d', 5000)
  expect(h.undo()).toBe('bc')
  expect(h.undo()).toBe('a')
  expect(h.undo()).toBeUndefined()
  expect(h.canUndo.value).toBe(false)
  expect(h.redo()).toBe('bc')
  h.note('e', 9000)
  expect(h.canRedo.value).toBe(false)
  expect(h.undo()).toBe('bc')
})
