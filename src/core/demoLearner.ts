/** Apart from the demo learner's sessions, so that naming them does not load what makes them. */
export const DEMO_LEARNER = 'Wren Halloran';

/** Whether a session is the demo learner’s: its id says so. */
export const isDemoSession = (sessionId: string): boolean => sessionId.startsWith('demo-');
