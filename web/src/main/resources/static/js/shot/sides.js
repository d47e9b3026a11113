// The sides of a node that can look, each with its letter; K is the back, since B is the bottom.

export const SIDES = { front: 'F', back: 'K', left: 'L', right: 'R', top: 'T', bottom: 'B' };
