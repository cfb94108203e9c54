/** Words that the program uses in a sense of its own, in alphabetical order. */
export const GLOSSARY = {
  'action line': 'the longest path through a pose, from the head into the leg that carries',
  'answer key': 'what can be seen in a pose, drawn over it after its time, layer by layer',
  'at the sheet': 'looking and drawing, without changes, lead-ins and rests',
  bias: 'what drawings are off by again and again, in the same direction',
  'blind drawing': 'eyes stay on the reference; the sheet is not looked at',
  contour: 'an edge of the body, outer or inner',
  course: 'ten or thirty days with one aim',
  envelope: 'the few straight lines around everything that sticks out',
  facing: 'the side a figure is turned to in the picture',
  family: 'a kind of pose: seated, walking, bending; or a part of the body',
  foreshortened: 'pointing toward you or away, and so shorter in the picture than it is',
  gesture: 'a quick drawing of what the whole body does',
  'lead-in': 'the seconds before a pose, for looking and getting ready',
  lift: 'taking the pen off the sheet in an unbroken line',
  'mark allowance': 'so many marks and no more for one drawing',
  masses: 'head, ribcage and pelvis as three simple shapes',
  'measured drawing': 'a drawing whose points were found or put on the Desk, and compared with its reference',
  'negative shape': 'a gap between parts of the body',
  peek: 'a look at the sheet in blind drawing',
  pot: 'one length of time for as many drawings as come',
  reference: 'what is drawn from: a figure of the program’s or a picture of yours',
  sheet: 'a piece of paper, with one drawing or many',
  'tight line': 'drawn from the wrist, hard and short; the contrary of a loose one',
  tilt: 'how far the line through the shoulders, or through the hips, leans',
  view: 'from where a figure is seen: front, three-quarter, profile, back',
  'working time': 'the time in which the whole figure is down in about seven drawings of ten',
} as const satisfies Record<string, string>;
export type GlossaryWord = keyof typeof GLOSSARY;

/** The anchor of a word in the list. */
export const anchorOf = (word: GlossaryWord): string => word.replaceAll(' ', '-');
