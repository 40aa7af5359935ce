import type { Schema } from '../api/client'

/** Steps in their order; checks without a reading or an adjuster that follow each other are one group. */
export function grouped(steps: Schema['StepView'][]): Schema['StepView'][][] {
  const groups: Schema['StepView'][][] = []
  for (const step of steps) {
    const last = groups.at(-1)
    if (last?.[0] && bare(last[0]) && bare(step)) last.push(step)
    else groups.push([step])
  }
  return groups
}

function bare(step: Schema['StepView']): boolean {
  return step.kind === 'check' && !step.expect.length && !step.demand && !step.notes.length
}
