export const TOUR = {
  'tour.again': 'Try again',
  'tour.back': 'Back to the tour',
  'tour.begin': 'Show me',
  'tour.end': 'Done',
  'tour.end.next': 'End the tour',
  'tour.end.text':
    'That is a screw set: turned as advised, read when the gauge stood, judged and kept in the log. This run goes on as long as you like; your own machine begins with Units, New unit.',
  'tour.leave': 'Leave the tour',
  'tour.newcomer': 'Newcomer',
  'tour.not-now': 'Not now',
  'tour.offer': 'New here?',
  'tour.offer.again': 'Tour: from the sheet to the first set screw',
  'tour.offer.text': 'Three minutes from the sheet to the first set screw, on a simulated machine. You can leave at any moment.',
  'tour.plan': 'Plan',
  'tour.plan.next': 'To the practice rig',
  'tour.plan.text':
    'The plan: the order in which the screws are set, and why. Tap a step to see on staff and circuit what it does. Gates stand where nobody may go on before something is so.',
  'tour.progress': 'What comes before the first screw',
  'tour.ready': 'Practice rig',
  'tour.ready.text':
    'The practice rig: checks, gates, start and warm-up come before the first screw. The guide does them now; watch the gauges. Nothing of this touches a real machine.',
  'tour.screw': 'First screw',
  'tour.screw.text':
    'Your turn. "Next turn" says which way and how far; turn the screw framed in gold, wait until the gauge is settled, then press the big button. Turn again until it passes, and press "Done".',
  'tour.sheet': 'Sheet',
  'tour.sheet.next': 'What is set first?',
  'tour.sheet.text':
    'The sheet of {0}, from its schematic. The flags on the staff are the pressures to set, the hatching is what the parts stand. Open the load with the slider above the drawing and shut it again: the line climbs until the part marked ◆ holds it.',
  'tour.steps-done': '{0} of {1} steps done',
  'tour.tour': 'Tour',
  'tour.unit': 'Practice unit: lock gate',
  'tour.waits': 'The tour waits for you: {0}.',
} as const
