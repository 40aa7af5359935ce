import { FIELDS } from '../words'

/** What a form needs of the unit file's JSON Schema: for every kind of entry its keys, their kinds, limits and units. */
export interface Field {
  key: string
  label: string
  kind: 'number' | 'text' | 'choice' | 'flag' | 'line' | 'driver' | 'setting' | 'range' | 'group' | 'ports' | 'positions' | 'speeds'
  required: boolean
  unit: string
  choices: string[]
  fields: Field[]
}

interface Node {
  $ref?: string
  type?: string
  enum?: string[]
  properties?: Record<string, Node | true>
  required?: string[]
}

export interface UnitSchema {
  properties: Record<string, Node>
  $defs: Record<string, Node>
}

const UNITS: [RegExp, string][] = [
  [/perTurn$/i, 'bar/turn'],
  [/Bar$/, 'bar'],
  [/Lpm$/, 'L/min'],
  [/Kw$/, 'kW'],
  [/Rpm$/, 'rpm'],
  [/CurrentA$/, 'A'],
  [/Cm3$/, 'cm³'],
  [/KgM3$/, 'kg/m³'],
  [/Pa$/, 'Pa'],
  [/Mm$/, 'mm'],
  [/Nm$/, 'N·m'],
  [/Percent$/, '%'],
  [/[a-z]N$/, 'N'],
  [/[a-z]L$/, 'L'],
  [/[a-z]V$/, 'V'],
  [/[a-z]S$/, 's'],
  [/[a-z]C$/, '°C'],
  [/^viscosity40$/, 'mm²/s'],
]

const LINE_KEYS = [
  'inlet',
  'outlet',
  'a',
  'b',
  'out',
  'pilot',
  'drain',
  'caseDrain',
  'supply',
  'return',
  'signal',
  'portA',
  'portB',
  'cap',
  'rod',
  'line',
]

export function label(key: string): string {
  const words = key.replace(/(Bar|Lpm|Kw|Rpm|Cm3|Mm|Nm)$/, '').replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`)
  return FIELDS[key] ?? words.charAt(0).toUpperCase() + words.slice(1)
}

export function unitOf(key: string): string {
  return UNITS.find(([pattern]) => pattern.test(key))?.[1] ?? ''
}

function resolve(schema: UnitSchema, node: Node): Node {
  return node.$ref ? resolve(schema, schema.$defs[node.$ref.replace('#/$defs/', '')] ?? {}) : node
}

/** @param kind a component type, or line, testPoint, target, work, fluid, drawing */
export function fieldsOf(schema: UnitSchema, kind: string): Field[] {
  const node = schema.$defs[kind] ?? schema.properties[kind]
  return node ? fieldsIn(schema, resolve(schema, node)) : []
}

function fieldsIn(schema: UnitSchema, node: Node): Field[] {
  return Object.entries(node.properties ?? {})
    .filter(([key, value]) => value !== true && key !== 'id' && key !== 'type')
    .map(([key, value]) => field(schema, key, value as Node, node.required?.includes(key) ?? false))
}

function field(schema: UnitSchema, key: string, raw: Node, required: boolean): Field {
  const node = resolve(schema, raw)
  const base = { key, label: label(key), required, unit: unitOf(key), choices: node.enum ?? [], fields: [] as Field[] }
  if (raw.$ref === '#/$defs/range' || key === 'bandC' || (node.type === 'array' && key === 'rangeBar')) return { ...base, kind: 'range' }
  if (key === 'ports') return { ...base, kind: 'ports' }
  if (key === 'positions') return { ...base, kind: 'positions' }
  if (key === 'driver') return { ...base, kind: 'driver' }
  if (key === 'setting') return { ...base, kind: 'setting' }
  if (node.type === 'object') return { ...base, kind: 'group', fields: fieldsIn(schema, node) }
  if (node.enum) return { ...base, kind: 'choice' }
  if (node.type === 'boolean') return { ...base, kind: 'flag' }
  if (LINE_KEYS.includes(key) && node.type === 'string') return { ...base, kind: 'line' }
  return { ...base, kind: node.type === 'number' || node.type === 'integer' ? 'number' : 'text' }
}
