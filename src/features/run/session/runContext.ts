'use client';
import { createContext } from 'react';
import type { Run } from './controller';

/** The run that words and clocks on the screen are of. */
export const RunContext = createContext<Run | undefined>(undefined);
