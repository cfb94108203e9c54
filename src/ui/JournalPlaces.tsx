import { RowOfPlaces } from './RowOfPlaces';

const PLACES = [
  ['/journal', 'Session by session'],
  ['/journal/months', 'Weeks and months'],
  ['/journal/habits', 'Habits'],
  ['/journal/wall', 'Wall'],
  ['/journal/again', 'Then and now'],
] as const;

/** The pages of the journal. */
export const JournalPlaces = () => <RowOfPlaces label="Journal" places={PLACES} />;
