import { z } from 'zod';
import { SIGN_SIDES } from './signSides';

/** On which side of a structure something was seen. */
export const signSide = z.enum(SIGN_SIDES);

/** What can be seen that tells of fish. */
export const sign = z.enum(['bait', 'birds', 'marks', 'rays', 'surface', 'follow', 'colour', 'temperature']);
