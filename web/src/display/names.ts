import { say } from '../words'
const CONTROLS: Record<string, string> = {
  compensator: say('display.names.compensator'),
  loadSense: say('display.names.load-sense'),
  powerLimiter: say('display.names.power-limiter'),
  reliefA: say('display.names.relief-a'),
  reliefB: say('display.names.relief-b'),
}

const PARTS: Record<string, string> = { relief: say('display.names.relief'), compensator: say('display.names.compensator') }

/** What a throttle is for; a load where the file leaves it out. */
export const PURPOSES: Record<string, string> = {
  load: say('display.names.load'),
  isolate: say('display.names.isolate'),
  bleed: say('display.names.bleed'),
}

/** The unit file names a setting by its part, or by its part and a control of it: "P1.compensator". */
export function settingOf(id: string): { part: string; control?: string } {
  const [part = id, control] = id.split('.')
  return { part, control }
}

/** A setting as people call it: "P1 compensator", "RV1 relief". */
export function settingName(id: string, kind?: string): string {
  const { part, control } = settingOf(id)
  return control ? `${part} ${CONTROLS[control] ?? control}` : kind && PARTS[kind] ? `${id} ${PARTS[kind]}` : id
}

export const SCHOOL_NAMES: Record<string, string> = {
  'lead-with-pump': say('display.names.lead-with-the-pump'),
  'lead-with-relief': say('display.names.lead-with-the-relief'),
  'side-by-side': say('display.names.side-by-side'),
}
