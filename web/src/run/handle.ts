/** A handle of the practice rig: plain, so that the one likely button of the step stands out. */
export const HANDLE = { severity: 'secondary', outlined: true } as const
