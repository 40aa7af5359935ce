/** Standard graphic symbols (ISO 1219-1) as path data, each drawn about its own origin. */
export const SYMBOLS = {
  pumpTriangle: 'M 0 -24 L -9 -10 H 9 Z',
  variable: 'M -28 24 L 28 -24 M 28 -24 l -10 2 M 28 -24 l -3 10',
  tank: 'M -15 -8 V 6 H 15 V -8',
  spring: 'M 20 0 l 4 -7 l 5 14 l 5 -14 l 5 14 l 3 -7',
  adjust: 'M 20 15 L 46 -15 m 0 0 l -8 2 m 8 -2 l -2 8',
  shutArrow: 'M 7 -14 V 14 m 0 0 l -5 -8 m 5 8 l 5 -8',
  openArrow: 'M 0 -21 V 21 m 0 0 l -5 -8 m 5 8 l 5 -8',
  seat: 'M -11 3 L 0 -9 L 11 3',
  filter: 'M 0 -20 L 20 0 L 0 20 L -20 0 Z',
  throttleArcs: 'M -13 -20 Q -2 0 -13 20 M 13 -20 Q 2 0 13 20',
  throttleAdjust: 'M -22 18 L 22 -20 m 0 0 l -9 2 m 9 -2 l -3 8',
  needle: 'M -8 9 L 8 -9',
} as const
