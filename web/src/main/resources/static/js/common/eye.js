// The sign of what is looked at: an eye about the point itself.

export const EYE = 'M-6 0c3.5-5.5 8.5-5.5 12 0c-3.5 5.5-8.5 5.5-12 0M0 -2a2 2 0 1 0 .01 0';
