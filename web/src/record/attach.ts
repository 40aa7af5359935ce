import { call, type Schema } from '../api/client'

/** What may lie beside a record; by what is in it the server says whether it is so. */
export const KINDS = '.jpg,.jpeg,.png,.pdf,.txt,.csv,image/jpeg,image/png,application/pdf,text/plain'

/** Lays a file beside the record of a run. @param step at which it is; none on the record's own page */
export function attachFile(run: number | string, file: File, step?: string) {
  const at = step ? `&step=${encodeURIComponent(step)}` : ''
  return call<Schema['AttachedView'][]>('POST', `/api/runs/${run}/files?name=${encodeURIComponent(file.name)}${at}`, file)
}
