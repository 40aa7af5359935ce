/** Day and time, or a dash where there is none. */
export function when(at?: string | null): string {
  return at ? new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }) : '–'
}

export function clock(at?: string | null): string {
  return at ? new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) : '–'
}

export function clockToTheSecond(at: string | number): string {
  return new Date(at).toLocaleTimeString('en-GB')
}

/** A day that nobody can read the other way round. */
export function day(at: string): string {
  return new Date(at).toLocaleDateString('en-GB', { dateStyle: 'medium' })
}

export function month(at: string | number): string {
  return new Date(at).toLocaleDateString('en-GB', { month: 'short', year: 'numeric' })
}

/** As a date field has it, by the calendar on the wall. */
export function today(): string {
  return new Date().toLocaleDateString('sv')
}

export function date(at: string): string {
  return new Date(at).toLocaleDateString('en-GB')
}

/** What a stop-watch shows after so many seconds. */
export function elapsed(seconds: number): string {
  const whole = Math.floor(seconds)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${Math.floor(whole / 3600)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`
}

/** Minutes as a hand plans with them: to five above a quarter of an hour. */
export function timeLeft(minutes: number): string {
  const whole = minutes > 15 ? 5 * Math.round(minutes / 5) : Math.max(1, Math.round(minutes))
  const hours = Math.floor(whole / 60)
  return hours ? `${hours} h ${whole % 60} min` : `${whole} min`
}
