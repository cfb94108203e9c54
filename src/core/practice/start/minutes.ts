/** The shortest and the longest session that Today proposes, minutes. */
export const SHORTEST_SESSION_MINUTES = 1;
export const LONGEST_SESSION_MINUTES = 180;
