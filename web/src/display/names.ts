import { say } from '../words'
const CONTROLS: Record<string, string> = {
  loadSense: say('display.names.load-sense'),
  powerLimiter: say('display.names.power-limiter'),
  reliefA: say('display.names.relief-a'),
  reliefB: say('display.names.relief-b'),
}

const PARTS: Record<string, string> = { relief: 'relief', compensator: 'compensator' }

/** A setting as people call it: "P1 compensator", "RV1 relief". */
export function settingName(id: string, kind?: string): string {
  const [part, control] = id.split('.')
  return control ? `${part} ${CONTROLS[control] ?? control}` : kind && PARTS[kind] ? `${id} ${PARTS[kind]}` : id
}

export const SCHOOL_NAMES: Record<string, string> = {
  'lead-with-pump': say('display.names.lead-with-the-pump'),
  'lead-with-relief': say('display.names.lead-with-the-relief'),
  'side-by-side': say('display.names.side-by-side'),
}
