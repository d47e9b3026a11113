// What each card of the chain says, and the column that its little curve shows; one line a kind of part.
import { millimetres, stop, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { markAt } from '../shot/focus.js';
import { isWhole, keyFrames, keysOf } from '../shot/keys.js';
import { axisOf, handOversOf, kindOf, parameterOf, pathsIn, PLACE, POSE, TURN } from '../shot/parts.js';
import { railLength, rideMetres } from '../shot/rails.js';
import { targetName, targetNode } from '../shot/targets.js';

const LINES = {
  keys(store, desk, node) {
    const poses = keyFrames(node, POSE);
    const partial = poses.filter((k) => !isWhole(node, k.channels, POSE)).length;
    const whole = poses.length - partial;
    const words = [whole && `${whole} ${whole === 1 ? 'pose' : 'poses'}`, partial && `${partial} partial`];
    return { line: words.filter(Boolean).join(', ') || 'Still: no keys yet', columns: ownOf(store, node, POSE) };
  },

  carried(store, desk, node) {
    const carriers = store.carryingAt(node.id, desk.frame);
    const handed = handOversOf(node).length;
    const more = handed ? ` · ${handed} ${handed === 1 ? 'hand-over' : 'hand-overs'}` : '';
    const motion = carriers.length ? store.motion.get(carriers[carriers.length - 1].id) : null;
    const columns = motion ? ['x', 'y', 'z'].map((name) => ({ column: motion[name], name, family: 'place' })) : [];
    return { line: (carriers.map((n) => n.name).join(' › ') || 'The world') + more, columns };
  },

  move(store, desk, node, part) {
    const { from, to } = part.window;
    const amount = part.way === 'hold' ? '' : `${trimmed(part.amount, 2)}${UNITS[part.way] ?? '°'} · `;
    return { line: `${amount}${trimmed(from, 1)} to ${trimmed(to, 1)}`, columns: ownOf(store, node, pathsIn(part)) };
  },

  ride(store, desk, node, part) {
    const metres = rideMetres(store, node, part, desk.frame);
    const pins = part.pins?.length ? ` · ${part.pins.length} ${part.pins.length === 1 ? 'pin' : 'pins'}` : '';
    const at = metres === null ? '' : ` at ${lengthText(metres, 2)}`;
    return { line: `${store.byId.get(part.rail)?.name}${at}${pins}`, columns: ownOf(store, node, pathsIn(part)) };
  },

  aim(store, desk, node, part) {
    const second = part.second ? ` › ${targetName(store, part.second)}` : '';
    return { line: `${targetName(store, part.target)}${second}`, columns: ownOf(store, node, pathsIn(part)) };
  },

  'frame-up'(store, desk, node, part) {
    const own = store.motion.get(node.id)?.own;
    const at = (name) => (own ? trimmed(store.value(desk.frame, own[`${part.id}.${name}`]), 1) : '');
    const more = part.others?.length ? ` and ${part.others.length} more` : '';
    const line = `${targetNode(store, part.target)}${more} at ${at('across')}, ${at('up')} %`;
    return { line, columns: ownOf(store, node, pathsIn(part)) };
  },

  recorded: (store, desk, node, part) => shaken(desk, node, part, `${part.name} · `),

  shake: (store, desk, node, part) => shaken(desk, node, part, ''),

  smooth(store, desk, node, part) {
    const effect = desk.effects.of(node.id, part.id);
    const lag = effect?.lagFrames === undefined ? '' : ` · lag ${trimmed(effect.lagFrames, 1)} f`;
    const column = effect?.place.each;
    const shown = { column, name: 'moved by', family: 'place', first: effect?.first };
    return { line: `${SMOOTHS[part.way](part)}${lag}`, columns: column ? [shown] : [] };
  },

  'run-in'(store, desk, node, { before = 'own', after = 'own' }) {
    return { line: `${EDGES[before]} · ${EDGES[after]}`, columns: [] };
  },

  visible(store, desk, node) {
    const keys = keysOf(node, 'visible.shown');
    const words = keys.map(([frame, value]) => `${value >= 0.5 ? 'there' : 'gone'} from ${trimmed(frame, 1)}`);
    return { line: words.slice(-2).join(', ') || 'There at all frames', columns: [] };
  },

  lens(store, desk, node, part) {
    const lens = store.lens(node.id, desk.frame);
    const columns = store.motion.get(node.id)?.lens;
    if (part.projection) {
      const column = columns?.widthM;
      const line = `${lengthText(lens?.widthM ?? 0)} across, orthographic`;
      return { line, columns: column ? [{ column, name: 'width', family: 'focus' }] : [] };
    }
    return {
      line: `${millimetres(lens?.focalMm ?? 0)} · ${stop(lens?.fStop ?? 0)} · ${focusWords(store, desk, node, part)}`,
      columns: columns ? LENS.map(([id, name, family]) => ({ column: columns[id], name, family })) : [],
    };
  },
};

/** Where the focus is, or what it follows or is pulled to. */
function focusWords(store, desk, node, part) {
  if (part.follow) return `follows ${targetName(store, part.follow)}`;
  if (part.pulls) return `to ${markAt(part.pulls, desk.frame).name}`;
  const keyed = keyFrames(node, pathsIn(part)).length > 0;
  return keyed ? 'pull' : lengthText(store.lens(node.id, desk.frame)?.focusM ?? 0);
}

/** What a motion does beyond the shot. */
const EDGES = { own: 'as keyed', hold: 'hold', 'run-on': 'run on', cycle: 'cycle' };

/** What a card that smooths is set to. */
const SMOOTHS = {
  spring: ({ amount, times = 1 }) => `Spring ${trimmed(amount, 3)}${times > 1 ? ` ×${times}` : ''}`,
  damped: ({ lag }) => `Damped ${trimmed(lag, 1)} f`,
  gaussian: ({ sigma }) => `Gaussian ${trimmed(sigma, 1)} f`,
  polynomial: ({ half, order = 2 }) => `Polynomial ${half} f, order ${order}`,
  'two-way': ({ amount }) => `Both ways ${trimmed(amount, 3)}`,
};

/** Units of what moves do, where they are not turns. */
const UNITS = { dolly: ' m', truck: ' m', pedestal: ' m', zoom: ' mm' };

const LENS = [
  ['focalMm', 'focal length', 'focal'],
  ['focusM', 'focus', 'focus'],
  ['fStop', 'F-stop', 'stop'],
];

/** What something that shakes says: how far it goes, and the traces of its channels. */
function shaken(desk, node, part, name) {
  const effect = desk.effects.of(node.id, part.id);
  const most = (ids) => Math.max(0, ...ids.flatMap((id) => effect?.channels?.[id]?.offsets.map(Math.abs) ?? []));
  const line = effect ? `${name}±${trimmed(most(PLACE), 1)} cm, ±${trimmed(most(TURN), 2)}°` : name;
  const kinds = kindOf({ part: 'shake' }).parameters;
  const columns = Object.entries(effect?.channels ?? {}).map(([id, { offsets }]) => {
    const { name, family } = kinds.find((p) => p.id === id);
    return { column: offsets, name, family, first: effect.first };
  });
  return { line, columns };
}

const ownOf = (store, node, paths) =>
  paths.map((path) => ({
    column: store.motion.get(node.id)?.own[path],
    name: parameterOf(node, path).name,
    family: axisOf(node, path),
  }));

/** What a card says of its part, with the columns that it may show: each {column, name, family}. */
export function cardLine(store, desk, node, part) {
  const say = LINES[part.part];
  return say ? say(store, desk, node, part) : { line: '', columns: ownOf(store, node, pathsIn(part)) };
}

function repeatLine({ count, later = 0, spread = 0 }) {
  const apart = later || spread ? `, ${later ? `${trimmed(later, 2)} f apart` : `over ${trimmed(spread, 2)} f`}` : '';
  return `${count} times${apart}`;
}

/** The card behind the chain: what the node is. */
export function lookLine(store, node) {
  if (node.kind === 'rail') {
    const { anchors, closed } = node.rail;
    const length = lengthText(railLength(store, node.id), 2);
    return { title: 'Rail', line: `${length} · ${anchors.length} anchors${closed ? ', closed' : ''}` };
  }
  if (node.kind === 'repeat') return { title: 'Repeat', line: repeatLine(node.repeat) };
  if (node.kind === 'light')
    return { title: 'Light', line: `${node.lamp.as}, strength ${trimmed(node.lamp.strength, 2)}` };
  if (node.kind === 'mist')
    return { title: 'Mist', line: `${node.mist.count} puffs${node.mist.loops ? ', loops' : ''}` };
  if (node.kind === 'haze') return { title: 'Haze', line: `half at ${lengthText(node.haze.half, 1)}` };
  if (node.kind === 'sun') return { title: 'Light', line: `strength ${trimmed(node.strength, 2)}` };
  return { title: 'Piece', line: pieceLine(node) };
}

function pieceLine({ shape, finish }) {
  if (shape.kind === 'imported') return `imported, ${shape.triangles} triangles`;
  const count = (shape.kind === 'card' && finish.pictures?.stills.length) || 0;
  if (!count) return shape.kind;
  return count === 1 ? 'card, 1 picture' : `card, ${count} pictures, ${finish.pictures.rate}/s`;
}
