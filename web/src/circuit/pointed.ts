/** What a hand points at on a drawing. */
export interface Pointed {
  kind: 'line' | 'part' | 'gauge'
  id: string
}
