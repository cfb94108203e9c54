'use client';
import type { Route } from 'next';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { limbDepths, type LimbDepth } from '@/core/body/limbDepths';
import type { Body } from '@/core/body/body';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { BUILD_NAMES, BUILD_WORDS, type BuildName } from '@/core/figure/skeleton/buildNames';
import type { Points } from './usePoints';
import { toastProblem } from '@/ui/toast/toast';

/** As from across a room, a little above the middle: the picture's own view. */
const VIEW = { azimuthDeg: 0, elevationDeg: 4, lensDeg: 26 };

const wordsOf = ({ way, sure }: LimbDepth): string =>
  way === 'across' ? 'across the view' : `${way}${sure === 'a guess' ? ', a guess' : ''}`;

/** The body in a picture as a figure: to be turned, lit and drawn from another side. */
export function FigureOfPicture({ body, aspect, flip }: { body: Body; aspect: number; flip: Points['flip'] }) {
  const router = useRouter();
  const [build, setBuild] = useState<BuildName>('masc');
  const [making, setMaking] = useState(false);
  const depths = useMemo(() => limbDepths(body.points, aspect, body.space), [body, aspect]);
  const turned = depths.filter(({ way }) => way !== 'across');
  const hidden = depths.filter(({ sure }) => sure === 'hidden').map(({ limb }) => limb);
  const make = async (): Promise<void> => {
    setMaking(true);
    try {
      const [{ seenPoseId }, { BUILDS }] = await Promise.all([
        import('@/core/body/bodyFigure'),
        import('@/core/figure/skeleton/builds'),
      ]);
      const id = figureReferenceId({
        poseId: seenPoseId(body.points, aspect, body.space, BUILDS[build]),
        build,
        view: VIEW,
      });
      router.push(`/poses/figure?id=${encodeURIComponent(id)}` as Route);
    } catch {
      setMaking(false);
      toastProblem('No figure could be made of these points. The picture is as it was: move the points and try again.');
    }
  };
  return (
    <section aria-label="As a figure">
      <h2 className="text-[20px]">As a figure</h2>
      <p className="mt-1">
        In the same pose, to be turned, lit and drawn from another side.{' '}
        {turned.length > 0
          ? 'A picture does not show which way a shortened limb points: tap what points the wrong way.'
          : 'All its limbs lie across the view.'}
        {hidden.length > 0 && ` Not seen, so guessed: ${hidden.join(', ')}.`}
      </p>
      {turned.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-2">
          {turned.map((depth) => (
            <li key={depth.limb}>
              <button
                type="button"
                className="btn-quiet btn btn-sm max-sm:h-12"
                aria-label={`${depth.limb}: ${wordsOf(depth)}. Turn it the other way`}
                onClick={() => flip(depth.end)}
              >
                {depth.limb}: {wordsOf(depth)}
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <select
          className="select w-auto max-sm:h-14"
          aria-label="Whose body it has"
          value={build}
          onChange={(event) => setBuild(event.target.value as BuildName)}
        >
          {BUILD_NAMES.map((name) => (
            <option key={name} value={name}>
              {BUILD_WORDS[name]}
            </option>
          ))}
        </select>
        <button type="button" className="btn max-sm:h-14" disabled={making} onClick={() => void make()}>
          {making ? 'Making it' : 'Make a figure of it'}
        </button>
      </div>
    </section>
  );
}
