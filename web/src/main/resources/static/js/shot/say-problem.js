// What was wrong, in the words of the screen: "F-stop of A-cam is 0; 0.5 to 128 is possible".
import { labelOf } from './parts.js';

/** What the parts of a document are called on screen, where they are no parameters. @type {Record<string, string>} */
const NAMES = {
  'range.in': 'First frame',
  'range.out': 'Last frame',
  'turn.length': 'Length of the turn',
  'as.length': 'Length of the name',
  handles: 'Handles',
  aspect: 'Picture aspect',
  frame: 'Frame',
  name: 'Name',
  'sensor.widthMm': 'Sensor width',
  'sensor.heightMm': 'Sensor height',
  widthMm: 'Sensor width',
  heightMm: 'Sensor height',
  squeeze: 'Squeeze',
  closeFocusM: 'Close focus',
  circleMm: 'Circle of confusion',
  degrees: 'Field of view',
  strength: 'Strength',
  keys: 'Keys',
  carrier: 'Carrier',
  channels: 'Channels',
  keep: 'What is kept',
  picture: 'Picture',
  'picture.width': 'Picture width in pixels',
  'picture.height': 'Picture height in pixels',
  'picture.octets': 'Size of the file in octets',
};

const isNumber = (text) => /^[-−+]?\d+(\.\d+)?([eE][-+]?\d+)?$/.test(text);

/** Without the needless zero of a whole number. @param {string} text */
const tidy = (text) => text.replace(/(\d)\.0(?!\d)/g, '$1');

/** The node whose name a place begins with, and what follows it. */
function splitNode(nodes, where) {
  const node = nodes.filter((n) => where.startsWith(`${n.name}.`)).sort((a, b) => b.name.length - a.name.length)[0];
  return node ? [node, where.slice(node.name.length + 1)] : [null, where];
}

function partName(place) {
  const words = place.replace(/^edits\[\d+\]\./, '').split('.');
  const two = words.slice(-2).join('.');
  const last = words[words.length - 1];
  if (NAMES[two]) return NAMES[two];
  if (last === 'length' && words.length > 1) return `The number of ${partName(words.slice(0, -1).join('.'))}`;
  if (last === 'keys' && labelOf(words[words.length - 2])) return `${labelOf(words[words.length - 2])} keys`;
  return labelOf(last) ?? NAMES[last] ?? last;
}

/**
 * @param {{message: string, where?: string, found?: string, allowed?: string}} problem
 * @param {{name: string}[]} nodes whose names may be in it
 */
export function sayProblem({ message, where, found, allowed }, nodes = []) {
  if (!where || !found || !allowed) return message;
  if (where === 'number') return tidy(`${found} cannot be read: type ${allowed}`);
  const [node, rest] = splitNode(nodes, where);
  const name = node ? `${partName(rest)} of ${node.name}` : partName(where);
  return tidy(
    isNumber(found) ? `${name} is ${found}; ${allowed} is possible` : `${name}: ${found}; ${allowed} is possible`,
  );
}
