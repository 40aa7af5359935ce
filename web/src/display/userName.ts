/** Under this key earlier editions kept the name that was typed at the start of a run. */
const EARLIER = 'technician'
const KEY = 'name'

/** The name of whoever works at this browser, as it was typed last on any screen; empty where nobody typed one. */
export function userName(): string {
  return localStorage.getItem(KEY) ?? localStorage.getItem(EARLIER) ?? ''
}

export function keepUserName(name: string) {
  localStorage.setItem(KEY, name)
}
