const CONTROLS: Record<string, string> = {
  loadSense: 'load sense',
  powerLimiter: 'power limiter',
  reliefA: 'relief A',
  reliefB: 'relief B',
}

const PARTS: Record<string, string> = { relief: 'relief', compensator: 'compensator' }

/** A setting as people call it: "P1 compensator", "RV1 relief". */
export function settingName(id: string, kind?: string): string {
  const [part, control] = id.split('.')
  return control ? `${part} ${CONTROLS[control] ?? control}` : kind && PARTS[kind] ? `${id} ${PARTS[kind]}` : id
}

export const SCHOOL_NAMES: Record<string, string> = {
  'lead-with-pump': 'Lead with the pump',
  'lead-with-relief': 'Lead with the relief',
  'side-by-side': 'Side by side',
}
