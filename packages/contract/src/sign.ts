import { z } from 'zod';

/** What can be seen that tells of fish. */
export const sign = z.enum(['bait', 'birds', 'marks', 'rays', 'surface', 'follow', 'colour', 'temperature']);
