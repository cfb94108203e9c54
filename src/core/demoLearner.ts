/** Apart from the demo learner's sessions, so that naming them does not load what makes them. */
export const DEMO_LEARNER = 'Wren Halloran';

export const isDemoSession = (sessionId: string): boolean => sessionId.startsWith('demo-');
