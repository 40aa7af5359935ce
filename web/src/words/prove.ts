export const PROVE = {
  'prove.title': 'Prove a record',
  'prove.what':
    'A record exported as proof takes its whole log along, each entry sealed with the one before. Here the log is followed once more. Figures, codes and what people wrote in the record are compared with it; its other sentences are not. Nothing of it is kept.',
  'prove.choose': 'Choose a proof file',
  'prove.whole': '✔ {0} is whole',
  'prove.broken': '▲ {0} is not as it was written',
  'prove.of': 'Record of {0}, written by {1}, {2} entries.',
  'prove.seal': 'Compare this seal with the one that is printed on the paper certificate:',
  'prove.no-key':
    'This check uses no key. It shows mistakes, damage, and each figure that was changed while the log was left. Somebody who knows how can write a new log with a new seal. Only the seal that is printed on the paper certificate, kept apart from the file, shows that.',
  'prove.sheet-sealed': 'The sheet in it is the one that was signed for.',
  'prove.sheet-open': '◇ Nobody has signed it: the sheet in it (ratings, gauges, targets) is not sealed.',
  'prove.at': 'At',
  'prove.earlier':
    'An earlier version wrote it: its log is whole, and what was read, left and signed agrees with the log. Its tests and curves were not compared.',
} as const
