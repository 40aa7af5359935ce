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

export function date(at: string): string {
  return new Date(at).toLocaleDateString('en-GB')
}
