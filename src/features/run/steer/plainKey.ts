import type { Command, Run } from '@/features/run/session/controller';

const COMMANDS: Readonly<Record<string, Command>> = {
  ArrowRight: 'next',
  ArrowLeft: 'back',
  '+': 'more',
  '-': 'less',
  r: 'restart',
};

/** Keys that are a command by themselves, in whichever window. @returns Whether it was one. */
export function plainKey(run: Run, key: string): boolean {
  if (!(key in COMMANDS)) return false;
  run.command(COMMANDS[key]);
  return true;
}
