import { EXERCISE_PICTURES } from '@/core/practice/exercises/pictures';
import { AnswerKeyOverlay } from './answerKey/AnswerKeyOverlay';
import { isLayer } from './answerKey/layers';

/** A figure with the marks that say what an exercise is about; an exercise of the learner's own has none. */
export function ExercisePicture({
  exercise,
  height,
  maxWidth,
  urlOf,
}: {
  exercise: string;
  height: number;
  maxWidth: number;
  /** Address of a figure's small picture by its reference; undefined while it is not known. */
  urlOf: (referenceId: string) => string | undefined;
}) {
  const picture = EXERCISE_PICTURES[exercise];
  const url = picture && urlOf(picture.reference);
  if (!picture || !url) return <div aria-hidden style={{ width: height * 0.6, height }} />;
  const { width, height: tall } = picture.key;
  const shown = Math.min(height, (maxWidth * tall) / width);
  return (
    <div
      aria-hidden
      className="relative shrink-0 [&_[data-layer=action]_path]:[stroke-width:3px] [&_circle]:[vector-effect:non-scaling-stroke] [&_ellipse]:[stroke-width:1.5px] [&_ellipse]:[vector-effect:non-scaling-stroke] [&_path]:[stroke-width:1.5px] [&_path]:[vector-effect:non-scaling-stroke] [&_text]:hidden"
      style={{ height: shown, width: (shown * width) / tall }}
    >
      <img src={url} alt="" className="h-full w-full opacity-45" loading="lazy" />
      <AnswerKeyOverlay answers={picture.key} shown={new Set(picture.layers.filter(isLayer))} label="" />
    </div>
  );
}
