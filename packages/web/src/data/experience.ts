/** How a guest's experience is said, 1 to 3. */
export const EXPERIENCE = ['first time', 'some practice', 'knows the way'].map((name, k) => ({ value: String(k + 1), name }));
