// What markers there are: id, name, and the letter on their flag.

export const MARKER_KINDS = [
  ['beat', 'Beat', 'B'],
  ['hit', 'Hit', 'H'],
  ['cue', 'Cue', 'C'],
  ['note', 'Note', 'N'],
];
