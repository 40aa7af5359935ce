export const PROVE = {
  'prove.title': 'Prove a record',
  'prove.what':
    'A record exported as proof takes its whole log along, each entry sealed with the one before. Here it is followed once more, and what the record says is held against what its log comes to. Nothing of it is kept.',
  'prove.choose': 'Choose a proof file',
  'prove.whole': '✔ {0} is whole',
  'prove.broken': '▲ {0} is not as it was written',
  'prove.of': 'Record of {0}, written by {1}, {2} entries.',
  'prove.seal': 'Compare this seal with the one that is printed on the paper certificate:',
  'prove.no-key':
    'This check uses no key. It shows mistakes and damage, and each change that leaves the log as it was. Somebody who knows how can write a new log with a new seal. Only the seal that is printed on the paper certificate, kept apart from the file, shows that.',
  'prove.sheet-sealed': 'The sheet in it is the one that was signed for.',
  'prove.sheet-open': '◇ Nobody has signed it: the sheet in it (ratings, gauges, targets) is not sealed.',
  'prove.at': 'At',
  'prove.earlier':
    'An earlier version wrote it: its log is whole, and what was read, left and signed agrees with the log. Its tests and curves were not compared.',
} as const
