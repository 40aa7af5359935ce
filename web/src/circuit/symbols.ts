/** Standard graphic symbols (ISO 1219-1) as path data, each drawn about its own origin. */
export const SYMBOLS = {
  pumpTriangle: 'M 0 -26 L -9 -12 H 9 Z',
  variable: 'M -30 26 L 30 -26 M 30 -26 l -10 2 M 30 -26 l -3 10',
  tank: 'M -17 -9 V 6 H 17 V -9',
  spring: 'M 22 0 l 5 -8 l 6 16 l 6 -16 l 6 16 l 4 -8',
  adjust: 'M 22 16 L 50 -18 m 0 0 l -9 2 m 9 -2 l -2 9',
  throttleArcs: 'M -14 -22 Q -2 0 -14 22 M 14 -22 Q 2 0 14 22',
  throttleAdjust: 'M -24 20 L 24 -22 m 0 0 l -10 2 m 10 -2 l -3 9',
  needle: 'M -8 9 L 8 -9',
} as const
