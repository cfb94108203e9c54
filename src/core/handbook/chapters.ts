import type { Chapter } from './chapter';

const WALKING = 'figure/bread-carrier-walking/stocky/65/10/26';
const RESTING = 'figure/stilt-walker-at-rest/tall/25/4/26';
const S = 1000;

/** Chapters of the handbook beside its exercises, in the order they are shown. */
export const CHAPTERS: readonly Chapter[] = [
  {
    id: 'session',
    title: 'How a session goes',
    about: 'From sitting down to putting the sheet away.',
    figure: RESTING,
    passages: [
      {
        heading: 'Arrive',
        paragraphs: [
          'Say how long you have and what you draw with. Five minutes are a session, and so are three hours. Today makes a plan and tells its one reason; another mix is one press away.',
          'Pictures are picked for you: those you have drawn least, gentle before hard, no two alike beside each other. Who likes to pick does so on Poses, with a clock, because hunting for pictures easily takes longer than drawing from them.',
        ],
      },
      {
        heading: 'Warm up',
        paragraphs: [
          'First the body: hands, wrists, shoulders, neck, a few slow breaths. Then the line: whole pages of it, fast, without caring about any one of them.',
        ],
        pictures: [
          { kind: 'move', name: 'Circle the wrists', caption: 'Circle the wrists' },
          { kind: 'move', name: 'Roll the shoulders', caption: 'Roll the shoulders' },
        ],
      },
      {
        heading: 'Short before long',
        paragraphs: [
          'Ten seconds to two minutes for the whole figure, large before small. Only then the longer poses, in which each stage has its time: envelope, correction, shadow shapes, tone, accents.',
          'Who begins starts with three minutes and works down. Nobody is told off for the longer time.',
        ],
        list: [
          ['10 to 20 s', 'one action line and the lean'],
          ['30 s', 'action line, head, ribcage, pelvis and where the limbs go'],
          ['1 min', 'that, with the tilts of shoulders and hips, and the limbs placed'],
          ['2 min', 'fifteen to thirty deliberate marks, one shadow mass, one round of correction'],
          ['3 to 5 min', 'block-in and correction; toward five the shadow shapes'],
          ['10 min', 'envelope, lay-in, shadow shapes, tone, one light, the darkest accents'],
          ['20 min and more', 'edges, halftones, and a second look at the proportions'],
        ],
        pictures: [
          { kind: 'hand', manner: 'action line', ms: 10 * S, caption: '10 s: the action line' },
          { kind: 'hand', manner: 'bars', ms: 30 * S, caption: '30 s: line, tilts, limbs' },
          { kind: 'hand', manner: 'flowing', ms: 60 * S, caption: '1 min: masses and rhythms' },
          { kind: 'hand', manner: 'structural', ms: 120 * S, caption: '2 min: how it is built' },
          { kind: 'hand', manner: 'block-in', ms: 300 * S, caption: '5 min: blocked in' },
          { kind: 'hand', manner: 'hatching', ms: 600 * S, caption: '10 min: with its shadows' },
        ],
      },
      {
        heading: 'Rest',
        paragraphs: [
          'After twenty to twenty-five minutes at the sheet there is a rest. Stand up, look far away, let the hand hang. What is left of the time is told, and what it would be enough for.',
        ],
      },
      {
        heading: 'Look back, and keep',
        paragraphs: [
          'Look at the sheet beside the picture, squinting, mirrored, upside down. What will you try in the next one? That is all that is asked. Photograph the sheet, the bad ones too: in a week, two months and a year the same picture comes back, and then the early ones are worth most.',
        ],
        pictures: [
          { kind: 'seen', as: 'mirrored', caption: 'The picture, mirrored' },
          { kind: 'hand', manner: 'flowing', ms: 60 * S, caption: 'The sheet beside it' },
        ],
      },
    ],
  },
  {
    id: 'looking',
    title: 'What to look for',
    about: 'What is there to be seen in a pose, layer by layer. The same layers lie over every figure after its time.',
    figure: WALKING,
    passages: [
      {
        heading: 'Action line',
        paragraphs: [
          'The longest path through the pose, from the head down into the leg that carries. It is no outline: it is where the pose goes. Mostly a C or an S.',
        ],
        pictures: [{ kind: 'layer', id: 'action', caption: 'Action line' }],
      },
      {
        heading: 'Masses',
        paragraphs: [
          'Head, ribcage and pelvis keep their shape whatever the body does. How far are they apart, how do they overlap, which way does each face?',
        ],
        pictures: [{ kind: 'layer', id: 'masses', caption: 'Masses' }],
      },
      {
        heading: 'Solids and planes',
        paragraphs: [
          'The masses as simple solids show which side is turned to you. Planes show where a form turns from the light.',
        ],
        pictures: [{ kind: 'layer', id: 'solids', caption: 'Solids' }],
      },
      {
        heading: 'Tilts',
        paragraphs: [
          'The line through the shoulders and the one through the hips. In a stance at ease they lean against each other: one side of the waist is pinched, the other pulled. The hand straightens them without asking; a tilt that is exaggerated does less harm.',
        ],
        pictures: [{ kind: 'layer', id: 'tilts', caption: 'Tilts' }],
      },
      {
        heading: 'Landmarks',
        paragraphs: [
          'Places where bone lies under the skin, whatever the build: the pit of the neck, the end of the breastbone, the hip points, kneecaps, ankles. They tell front from back and say whether the masses are where they belong.',
        ],
        pictures: [{ kind: 'layer', id: 'landmarks', caption: 'Landmarks' }],
      },
      {
        heading: 'Envelope',
        paragraphs: [
          'The few straight lines around everything that sticks out. It is drawn first: it says whether the figure fits the sheet and which way it leans.',
        ],
        pictures: [{ kind: 'layer', id: 'envelope', caption: 'Envelope' }],
      },
      {
        heading: 'Plumb and level',
        paragraphs: [
          'What stands under what, and what is level with what. Three of each, noted before drawing, hold a figure together.',
        ],
        pictures: [{ kind: 'layer', id: 'plumb', caption: 'Plumb and level' }],
      },
      {
        heading: 'Half and heads',
        paragraphs: [
          'Standing, the middle of the body is at the pubic bone; the head goes into its length seven to eight times. Heads are drawn too large because faces matter to us.',
        ],
        pictures: [{ kind: 'layer', id: 'heads', caption: 'Half and heads' }],
      },
      {
        heading: 'Negative shapes',
        paragraphs: [
          'The holes: between an arm and the waist, between the legs. They have no name, so they are drawn as they are.',
        ],
        pictures: [{ kind: 'layer', id: 'negatives', caption: 'Negative shapes' }],
      },
      {
        heading: 'Contours',
        paragraphs: [
          'Edges, outer and inner. Where one goes behind another it ends: that is what makes the nearer form near.',
        ],
        pictures: [{ kind: 'layer', id: 'contours', caption: 'Contours' }],
      },
      {
        heading: 'Light and shadow',
        paragraphs: [
          'One edge parts what the light reaches from what it does not. Squint until there are only two values, and join the shadows into one shape.',
        ],
        pictures: [{ kind: 'layer', id: 'light', caption: 'Light and shadow' }],
      },
    ],
  },
  {
    id: 'checking',
    title: 'Ways of checking',
    about: 'Quick ones while the clock runs, slow ones at the end of a stage.',
    figure: WALKING,
    passages: [
      {
        heading: 'While you draw',
        paragraphs: [
          'In a short pose only squinting is fast enough. In a longer one check at the end of each stage, not within it.',
        ],
        list: [
          ['Squint', 'detail goes, large shapes stay; held key S in a run'],
          ['Two values', 'light or shadow, nothing else; key V'],
          ['Mirror, upside down', 'the picture becomes shapes again; keys M and U'],
          ['Plumb line and level', 'a thread and a horizon over the picture; key P'],
          ['Halves', 'where is the middle, where the middle of the half; key D'],
          ['Step back', 'from as far as the sheet is long three times, errors show by themselves'],
        ],
        pictures: [
          { kind: 'seen', as: 'as it is', caption: 'As it is' },
          { kind: 'seen', as: 'squinting', caption: 'Squinting' },
          { kind: 'seen', as: 'two values', caption: 'Two values' },
          { kind: 'seen', as: 'mirrored', caption: 'Mirrored' },
          { kind: 'seen', as: 'upside down', caption: 'Upside down' },
          { kind: 'layer', id: 'plumb', caption: 'Plumb and level' },
          { kind: 'layer', id: 'heads', caption: 'Half and heads' },
          { kind: 'seen', as: 'from afar', caption: 'From afar' },
        ],
      },
      {
        heading: 'Afterward',
        paragraphs: [
          'On the Desk a drawing lies beside its picture, over it, or in turn with it. What was drawn under a measured rule can be measured there: what is off, by how much, and how sure that is.',
          'Errors are not alike. A head may be a tenth too small before it hurts, but hardly three hundredths too large; legs may be long, not short; a waist may be short, not long. Blind, unbroken and memory drawings are never measured for likeness.',
        ],
      },
    ],
  },
  {
    id: 'tools',
    title: 'Tools and paper',
    about: 'What does what, and what to lay out before the clock starts.',
    figure: RESTING,
    passages: [
      {
        heading: 'To draw with',
        paragraphs: [
          'Whatever is at hand will do. A change of medium changes the line at once; three in turn keep the hand awake.',
          'You can use two media in one drawing: dark and light on toned paper, or two pens. In Plan, under Paper, choose the second and its share of the time.',
        ],
        list: [
          ['Pencil', 'searches lightly and can be restated; a hard one for the search, a soft one to say it'],
          ['Ballpoint, fineliner', 'nothing is taken back: the line becomes honest'],
          [
            'Charcoal',
            'on its side a whole mass at once; wiped and drawn into; for large sheets and from the shoulder',
          ],
          ['Conté, pastel', 'broad and soft, for light on toned paper'],
          ['Ink and brush', 'thick and thin in one stroke; the water is part of the rule'],
          ['Colored pencil', 'a light color to search, a dark one to say it'],
        ],
        pictures: [
          { kind: 'hand', manner: 'flowing', ms: 60 * S, material: 'graphite', caption: 'Pencil, 1 min' },
          { kind: 'hand', manner: 'one line', ms: 120 * S, material: 'ballpoint', caption: 'Ballpoint, one line' },
          { kind: 'hand', manner: 'mass', ms: 60 * S, material: 'charcoal', caption: 'Charcoal on its side' },
          { kind: 'hand', manner: 'bars', ms: 30 * S, material: 'brush', caption: 'Brush, 30 s' },
        ],
      },
      {
        heading: 'Paper',
        paragraphs: [
          'Cheap and much of it for short poses, so that nothing is precious; better sheets for the long ones. The planner says how many sheets a session takes, which way round, and how large a head will be on them.',
          'Sharpen before the start: three hours of charcoal pencil use up half a dozen.',
        ],
      },
      {
        heading: 'Place',
        paragraphs: [
          'Sheet and picture side by side, so that the eye goes back and forth and the head does not turn. At an easel stand so far away that the whole sheet is seen, and draw from the shoulder.',
        ],
      },
    ],
  },
  {
    id: 'sheet',
    title: 'Drawing on the screen',
    about:
      'Paper comes first. Where you draw on a tablet, or with a pen beside the keyboard, the sheet keeps the rule by itself.',
    figure: WALKING,
    passages: [
      {
        heading: 'The sheet',
        paragraphs: [
          'Choose “this screen” on Your room, or press 3 in a session: a sheet lies beside the picture, on the side of the hand that draws, below it on a tall screen. It has the proportion of the plan’s paper; a figure that lies gets it on its side, and an empty one is turned by hand. Pen, finger and mouse draw; once a pen was seen, a palm does nothing. With the picture in the second window the sheet has this one to itself.',
          'Each stroke is kept the moment it is finished. When the session is over its sheets are pages in the journal, cut into their drawings, and on the Desk everything works on them as on a photograph.',
        ],
      },
      {
        heading: 'What the rule does',
        paragraphs: ['There is what the exercise asks for and nothing else: no colors, no layers.'],
        list: [
          ['nothing erased', 'no eraser, and no stroke is taken back: say the line again beside it'],
          [
            'blind, eyes closed',
            'the line is not seen until the time is up; a peek is seen as long as you hold it, and counted',
          ],
          ['slow contour', 'the line is seen while the pen stands still'],
          [
            'one line',
            'each time the pen is set down again is a lift: it is counted, or ends the drawing, as you chose on Your room',
          ],
          ['mark allowance', 'marks are counted as you make them, those over it too'],
          ['masses', 'only the side of the charcoal'],
          ['other hand', 'the sheet changes sides'],
          ['between poses', 'the sheet can be turned upside down and mirrored; never while you draw'],
        ],
        pictures: [
          { kind: 'hand', manner: 'one line', ms: 120 * S, material: 'ballpoint', caption: 'One line, 2 min' },
          { kind: 'hand', manner: 'mass', ms: 60 * S, material: 'charcoal', caption: 'Masses, 1 min' },
          { kind: 'hand', manner: 'action line', ms: 10 * S, material: 'brush', caption: 'Three marks, 10 s' },
        ],
      },
      {
        heading: 'What strokes tell',
        paragraphs: [
          'After a pose there is one sentence; the rest is on the drawing’s page, “Stroke by stroke”, where it is drawn once more at any speed. Nothing of it is a grade.',
        ],
        list: [
          [
            'pace',
            'length of the line through its time is the even pace; told are the share of it between half and twice that, and where it ran for half a second or more',
          ],
          ['lifts', 'how often the tool left the sheet, and how often it went on more than 5 mm away'],
          [
            'marks',
            'how many, how long the middle one is, and whether they turn one way (C), both ways (S), hardly at all (straight) or more than most of a circle (other)',
          ],
          [
            'said again, scratched',
            'a stroke of 25 mm or more along one that was there; three or more shorter ones over the same place, one right after the other',
          ],
          [
            'reach',
            'how much of the line is in strokes over 11 cm of your screen, which no wrist reaches from where it lies; told where the screen’s size was measured on Your room',
          ],
          ['order', 'of all pairs of strokes, how often the longer came first'],
          ['down', 'when nine tenths of where the drawing has ink at its end had some'],
          [
            'parts',
            'which part of the body was begun first and last, and what only after 60 % of the time; told once the drawing was measured on the Desk',
          ],
          [
            'weight',
            'pressure on the side away from the light against the other side; told for pens that know pressure',
          ],
        ],
      },
      {
        heading: 'Several figures',
        paragraphs: [
          'On Poses, “Several figures” puts figures, pictures and measured drawings on one sheet under one eye level: whoever stands farther off stands higher on the sheet and smaller, a giant is larger on purpose. The list goes from the front to the back; another order changes what is covered, never a size.',
          'Found and told are joints that somebody covers, hands on hands, neighbors who repeat or mirror a pose or lift the same leg, the largest empty circle, and whose light comes from the other side. Many drafts, three to show; “Draw this group” makes a session of one, and the time for finishing the joined sheet after the bell is counted apart. “Keep it as a plan” puts it under “Begin from…”, with its figures.',
        ],
      },
      {
        heading: 'What it does not tell',
        paragraphs: [
          'Whether a stroke shorter than a wrist reaches came from the shoulder all the same; where you looked; what you meant. A mouse and a finger know no pressure. Whether the drawing is good is yours to say.',
        ],
      },
    ],
  },
  {
    id: 'model',
    title: 'With a model',
    about: 'Somebody poses for you: the clock is theirs too.',
    passages: [
      {
        heading: 'Before',
        paragraphs: [
          'Agree on the poses, their lengths and the rests beforehand; show them the plan. Privacy is agreed on before any photograph is taken. A warm room, a steady stand, cushions.',
        ],
      },
      {
        heading: 'While they stand',
        paragraphs: [
          'The program calls each pose and its length, keeps the rests, and shows the next length to everyone. The second window can be the clock alone. Ordinary poses last up to twenty or twenty-five minutes with five of rest; strenuous ones one or two. Joints that bear weight change sides.',
          'How long a pose can be held is an estimate from a simple body, on the careful side. It is shorter whenever the model says so. Nobody is touched.',
        ],
        pictures: [
          { kind: 'held', reference: RESTING, holdS: 1200, caption: 'At ease' },
          {
            kind: 'held',
            reference: 'figure/bread-carrier-asleep-on-the-side/stocky/0/10/26',
            holdS: 1200,
            caption: 'Lying',
          },
          {
            kind: 'held',
            reference: 'figure/bread-carrier-on-the-step/tall/25/14/26',
            holdS: 150,
            caption: 'On a step',
          },
          { kind: 'held', reference: 'figure/net-mender-casting/older/60/6/26', holdS: 55, caption: 'Casting a net' },
          { kind: 'held', reference: 'figure/bell-ringer-squatting/small/30/14/26', holdS: 20, caption: 'Squatting' },
        ],
      },
    ],
  },
  {
    id: 'cautions',
    title: 'Cautions',
    about: 'They stand beside what they belong to; here they are together.',
    passages: [
      {
        heading: 'What they are',
        paragraphs: [
          'They are general and usual. They do not replace a physician or a physiotherapist, the house rules of a studio, the model’s own word, or local regulations.',
        ],
        list: [
          [
            'Warming up',
            'gently, inside a comfortable range; stop at pain, numbness or tingling, and have it seen to if it returns',
          ],
          [
            'Long sessions',
            'change posture; a pause every 20 to 25 minutes; about every 20 minutes look far away for 20 seconds; let hand and forearm rest',
          ],
          ['The other hand, an overhand grip', 'loosely; stop if it cramps'],
          [
            'A model',
            'the model decides; agree on the pose before; a warm room, steady support, no touching; privacy before any photograph',
          ],
          [
            'A blade',
            'cut away from the hand, the thumb pushing the back of the blade, over a bin; closed when not in use',
          ],
          ['Charcoal and pastel', 'dust: tap, do not blow; wash your hands; air the room'],
          ['Fixative', 'outdoors or in moving air, away from flames, as its label says'],
          ['Easel, lamp, cable', 'lamps are hot, cables are taped down, tripods stand wide'],
          ['Standing', 'shift your weight, a soft mat, a seat within reach'],
          [
            'Pictures of people',
            'only with permission or a license that allows it; keep source and credit; adults only for unclothed reference; a copy of someone’s work is not your own',
          ],
          ['Sound', 'headphones at a moderate level'],
          ['Shared screens', 'covered figures are one setting away, in your room'],
        ],
        pictures: [
          { kind: 'move', name: 'Shake the hands out', caption: 'Shake the hands out' },
          { kind: 'move', name: 'Round and arch the back', caption: 'Round and arch the back' },
          { kind: 'move', name: 'Turn the head from side to side', caption: 'Turn the head, gently' },
        ],
      },
    ],
  },
  {
    id: 'data',
    title: 'Your data',
    about: 'Where it is, how it leaves, and how it comes back.',
    passages: [
      {
        heading: 'Where it is',
        paragraphs: [
          'In this browser, on this machine, and nowhere else. No account, no sending. Another browser, or a private window, knows nothing of it, and a browser that is told to forget its pages forgets this too.',
        ],
      },
      {
        heading: 'Taking it out',
        paragraphs: [
          'Under “Data” everything goes out as one ZIP: pictures as they are, records as plain text that other programs can read, each with its checksum. It is read back before it is called taken out. Putting it in shows what is in it before anything is touched, and never overwrites what is here.',
          'Do it now and then. A disk that fails takes a browser with it.',
        ],
      },
      {
        heading: 'Showing a drawing',
        paragraphs: [
          'Nothing is shown to anybody by itself. A sheet, or a single drawing from the wall, goes out as a picture when you take it out, as far as the picture it was drawn from allows, with the credit that belongs to it.',
        ],
      },
      {
        heading: 'Throwing away',
        paragraphs: [
          'What you delete waits in the bin for thirty days. A sheet that is thrown away on paper keeps its record and counts.',
        ],
      },
    ],
  },
];

export const chapterById = (id: string): Chapter | undefined => CHAPTERS.find((chapter) => chapter.id === id);
