import type { Room } from '@/storage/sessions/room';

/** On paper the picture has the window. */
export const WHOLE_WINDOW = { picture: 'absolute inset-0', sheet: '' };
/** Where picture and sheet lie: beside each other, or one above the other on a tall screen, so that the hand covers only the sheet. */
export function halvesOf(hand: Room['hand'], sheetAlone: boolean): { picture: string; sheet: string } {
  const right = hand === 'right';
  if (sheetAlone)
    return {
      picture: `sheet-half sheet-alone absolute inset-y-0 w-[30%] portrait:inset-x-0 portrait:bottom-auto portrait:h-[24%] portrait:w-full ${right ? 'left-0' : 'right-0'}`,
      sheet: `absolute inset-y-0 w-[70%] portrait:inset-x-0 portrait:top-auto portrait:h-[76%] portrait:w-full ${right ? 'right-0' : 'left-0'}`,
    };
  return {
    picture: `sheet-half absolute inset-y-0 w-1/2 portrait:inset-x-0 portrait:bottom-auto portrait:h-[44%] portrait:w-full ${right ? 'left-0' : 'right-0'}`,
    sheet: `absolute inset-y-0 w-1/2 portrait:inset-x-0 portrait:top-auto portrait:h-[56%] portrait:w-full ${right ? 'right-0' : 'left-0'}`,
  };
}
