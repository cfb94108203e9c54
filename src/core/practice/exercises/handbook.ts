/** How each exercise goes, in a few sentences. Apart from the catalog, since only the handbook and the planner show it. */
export const HANDBOOK: Readonly<Record<string, string>> = {
  'action-line':
    'Look for the longest path through the pose before you move. Often it runs from the head, down the spine, into the leg that carries. Put it down in one stroke; a second may answer it, a third is the last. Ten seconds are plenty.',
  'flowing-gesture':
    'Begin with the path, hang the masses on it, tilt shoulders and hips against each other, then let the limbs flow out. If a line is wrong, say it again beside it. The figure is always whole, even when it is wrong.',
  'structural-gesture':
    'Place head, ribcage and pelvis as three simple solids. Ask of each which way it faces and how it leans. Landmarks then show whether you were right: they sit where the solids turn.',
  'gesture-by-mass':
    'Hold the stick flat. Lay the whole figure in as one gray shape, then press where it is darkest. Wipe back into it to find the light. Only now is there a reason for a line, and only where the shape needs it.',
  'shoulder-and-hip-bars':
    'A stick for the spine is not enough: a figure has width. One bar across the shoulders and one across the hips give it a front and a lean. Four steps, always in the same order: head, spine, bars, limbs.',
  envelope:
    'Find the points that stick out farthest and join them with straight lines, five to eight in all, before anything is drawn inside. It tells whether the figure fits the sheet, and how it leans, at a price of a few seconds.',
  'mark-allowance':
    'Decide how many marks you may make and spend them. The time divided by the marks is what each may take: four seconds, two at least. Running out early is a result, not a fault.',
  'c-s-straight':
    'Every mark is a C, an S or a straight line. Where the pose seems to ask for more, it is two marks. Straights against curves keep a limb from turning into a sausage.',
  'squash-and-stretch':
    'When a body bends, one side is pinched and the other pulled. Draw the pinched one with angles and the pulled one in a single sweep. The high points of two sides never stand opposite each other.',
  'wrapping-lines':
    'Where a limb comes at you, lines along it become short and say little. Draw around it instead, like rings, and watch which way each opens. What is nearer covers what is behind it.',
  'quick-head':
    'Eye line first, then the wedge of the face and the ball of the skull, with neck and shoulders carrying them. Shadow shapes instead of eyes, nose and mouth. A head without features can look like someone.',
  'head-by-mass':
    'Rub some charcoal onto a scrap and pick it up with the stump. Lay the head in as one soft egg, with the neck, before you think of a feature. Then draw with the kneaded eraser: the forehead, a cheekbone, the bridge of the nose come out of the gray. The darks go back in last, and only a few.',
  'timed-study':
    'Use it for anything that holds still: a jug, a chair, a shell, a branch. Squint until only the big shape is left and put it down. Check which way it leans and how wide it is for its height. Only then go inside. The clock keeps you from starting with the handle.',
  'hands-and-feet':
    'Draw a mitten, then a thumb, then fingers as one fan, and separate them last. A foot is a wedge with an ankle. Closed fists first; open hands when fists come easily.',
  'page-of-many':
    'One sheet for all of them. They will run into each other, and that is the point: nothing on this page can be spoiled. Keep the sizes alike.',
  contour:
    'Put the pencil where your eye is and move both together, as an ant would walk along that edge. To look down, stop. Edges inside the figure count as much as the outer one.',
  'blind-contour':
    'The sheet is out of bounds. Hand and eye creep along together and neither may hurry. The drawing will not fit together; it was never meant to. What it trains is the eye.',
  'continuous-line':
    'Set the pen down and do not lift it. To get elsewhere, travel: along a form, or back over what is there. If it lifts by accident, put it down where it left off and go on.',
  'cross-contour':
    'Choose a level and follow the surface from one side to the other: up over a muscle, down into the hollow. Every line is looked at, none is drawn by rule.',
  'negative-shapes':
    'Look at the holes. Between an arm and the waist there is a shape without a name, and what has no name is drawn as it is. When all gaps are right, the figure stands between them.',
  'plumb-and-level':
    'Hold the pencil upright and see what lies under what; hold it level and see what lies beside what. Note three of each before you draw. Standing, the half of the body is at the pubic bone.',
  'copy-a-drawing':
    'Choose a drawing you wish you had made. Before you begin, say how it was made: which line came first, with what, how fast. Then make it so, at its own size where you can. Five from one hand are enough; then another. A copy is for learning: whose it is goes with it, and it is not for sale.',
  'look-then-draw':
    'While you look, do not draw: name what you will need. Where is the weight? How does it lean? Which three shapes is it? Then it hides. Draw what you have, and leave out what you have not.',
  'draw-then-memory':
    'The first drawing is for learning the pose. Then picture and drawing are put away and you draw it again. Only when all three lie side by side do you see what the hand had understood.',
  'eyes-closed':
    'Feel for the edge of the sheet with your free hand, look once more, close your eyes and draw. Nothing is expected. On a day when everything is stuck this is a way back in.',
  'other-hand':
    'Give the pencil to the hand that has no habits. The line becomes slow and honest at once. Hold it loosely and stop if it cramps.',
  'shrinking-time':
    'The same picture, and the whole of it, in ten minutes, then five, two, one. What you leave out each time is the lesson; what survives to the last is the pose.',
  'same-picture-many-ways':
    'Keep the picture and change the exercise: as line, as mass, as gaps, from memory. If the point of the pose is still there each time, you have found it.',
  'one-element':
    'Take one part and let it fill the sheet. Draw it as you would a whole figure, large shapes first, and mind how it leaves the frame.',
  'from-imagination':
    'Without a picture there is no one to copy. Start from boxes, turn shoulders and hips against each other, bring the weight over a foot. Or take the pose you have just drawn and walk round it in your mind.',
  'line-qualities':
    'One simple shape, eight times: smooth, rough, choppy, exaggerated, thin, light, strong, heavy. The shape is an excuse; the line is the subject. A drawing of your own can be traced the same way.',
  'new-medium':
    'Any exercise you know, with something you seldom hold. It will refuse what the pencil allows, and offer something the pencil cannot.',
  'two-values':
    'Squint until there is only light and shadow. Join the shadows into one design, look at its outline, and only then fill it. No halftones: whatever is doubtful is light.',
  'tone-study':
    'In order: envelope, lay-in, corrections, shadow shapes, one flat tone for all of them, soft edges where a form turns, one brightest light, and the darkest accents where things touch. A bad lay-in is not rescued by tone.',
  'line-then-tone':
    'Half a minute for the line: gesture, masses, edges, and no shading at all. Then the same drawing again, for the tone only, as long as you like. Kept as two, so that you see what each of them is good for.',
  'small-plans':
    'Three to six frames on one sheet, each with the proportions of the sheet it is a plan for. Two minutes each, big shapes in two or three tones, and every one different: the crop, the place of the dark, how much air there is. Then choose.',
  'main-piece':
    'The time after the warm-up, for whatever you are working on. No picture, no rule; the clock only tells when it is over.',
  'two-pens':
    'A light colored pen may search as much as it likes. When the clock says so, change to the dark one and say only what was right. Nothing is rubbed out; the search stays to be seen.',
};
