'use client';
import { useMemo } from 'react';
import type { RunState } from '@/core/clock/run';
import type { Plan } from '@/core/practice/plan/schema';
import type { Run } from '@/features/run/session/controller';
import { useRunState } from '@/features/run/session/useRun';
import { phraseIn } from '@/features/run/words/words';
import { type Scene, sceneOf } from './scene';

/** The state of a run and what is to be seen of it; worked out anew when something happens, not while time alone passes. */
export function useScene(session: Plan, run: Run, leadInShows: boolean): { state: RunState; scene: Scene } {
  const { segments } = run.timeline;
  const phrase = useMemo(() => phraseIn(session, segments), [session, segments]);
  const state = useRunState(run, phrase);
  const scene = useMemo(() => sceneOf(session, segments, state, leadInShows), [session, segments, state, leadInShows]);
  return { state, scene };
}
