// The measures of the score, in pixels.

export const LEFT = 118; // where the first frame stands
export const RULER = 26;
export const ROW = 26;
