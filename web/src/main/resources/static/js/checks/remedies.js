// What can be done about what was found, as edits.
import { keysOf } from '../shot/keys.js';
import { settingsOf } from '../panels/lens-settings.js';
import { focusMoved } from '../shot/focus.js';
import { lensOf, POSE, TURN } from '../shot/parts.js';

const ROUND_FRAMES = 1e-6;

/** The frames at which a node has a key of its pose. */
const framesOf = (node) => [...new Set(POSE.flatMap((path) => keysOf(node, path).map(([frame]) => frame)))];

/** The camera and what carries it, from the top down, as far as it is keyed. */
function movingRig(store, camera) {
  const rig = [...store.carriersOf(camera), store.byId.get(camera)];
  return rig.filter((node) => node.id === camera || framesOf(node).length > 0);
}

/** Makes the loop of a camera close, with all that carries it. */
export function closeSeam(checks, ids) {
  const { asked, desk, store } = checks;
  const wanted = ids ?? movingRig(store, desk.camera).map((node) => node.id);
  const by = store.byId.has(asked.repeat) ? { repeat: asked.repeat, steps: asked.steps } : {};
  return store.edit([{ edit: 'close-seam', ids: wanted, ...by }]);
}

/** Stretches the keys of what comes back too early or too late, so that its period divides the loop. */
export function setPeriod({ store }, { node, seam, period, would }) {
  if (seam.comesBack) return stretchLooks(store, { node, seam, period, would });
  const first = Math.min(...framesOf(store.byId.get(node)));
  const map = {
    kind: 'stretch',
    from: first,
    to: first + period,
    about: first,
    factor: would / period,
    ripple: false,
  };
  return store.edit(
    [{ edit: 'retime', ids: [node], map, landing: 'refuse', markers: false, range: false }],
    'Set a period',
  );
}

/** Stretches the keys of those looks of a node that come back every so many frames, each from its first one on. */
function stretchLooks(store, { node, seam, period, would }) {
  const edits = seam.looks.flatMap(({ name }) => {
    const frames = keysOf(store.byId.get(node), name).map(([frame]) => frame);
    if (Math.abs(frames.at(-1) - frames[0] - period) > ROUND_FRAMES) return [];
    const picks = [{ id: node, channels: [name], frames }];
    const scaled = { aboutFrame: frames[0], aboutValue: 0, inTime: would / period, inValue: 1, landing: 'refuse' };
    return [{ edit: 'scale-keys', picks, ...scaled }];
  });
  return store.edit(edits, 'Set a period');
}

/** Rounds the speed of a mist so that its puffs are back in their places after a round. */
export const letItLoop = ({ store }, { id, mist }) =>
  store.edit([{ edit: 'set-mist', id, mist: { ...mist, loops: true } }]);

/** Has the pictures on a card repeat at a rate. */
export const playAt = ({ store }, { id, shape, finish }, rate) =>
  store.edit(
    [{ edit: 'set-piece', id, shape, finish: { ...finish, pictures: { ...finish.pictures, rate, after: 'cycle' } } }],
    'Let pictures loop',
  );

/** Lets the tangents of the rig run through where it nearly stops: no key moves. */
export function runThrough({ desk, store }, { from, to }) {
  const picks = movingRig(store, desk.camera)
    .flatMap((node) =>
      POSE.map((path) => ({
        id: node.id,
        channels: [path],
        frames: keysOf(node, path)
          .map(([frame]) => frame)
          .filter((f) => f >= from - 1 - ROUND_FRAMES && f <= to + 1 + ROUND_FRAMES),
      })),
    )
    .filter((pick) => pick.frames.length);
  return picks.length ? store.edit([{ edit: 'set-tangents', picks, tangent: 'flow' }], 'Run through') : false;
}

/** Focuses at the worst frame of a soft stretch so that its subject is just sharp there. */
export function focusAt({ desk, store }, { worst, focusM }) {
  const id = desk.camera;
  const moved = focusMoved(lensOf(store.byId.get(id)), worst, store.lens(id, worst).focusM, focusM);
  if (moved) return settingsOf(store, id).set(moved);
  return setAt(desk, id, 'focus', worst, focusM);
}

/** Stops the lens down as far as a soft stretch needs. */
export const stopDown = ({ desk }, { worst, fStop }) => setAt(desk, desk.camera, 'fstop', worst, fStop);

function setAt(desk, id, path, frame, value) {
  const edit = (keying) => ({ edit: 'set-values', id, frame, values: { [path]: value }, keying });
  return desk.change(desk.store.byId.get(id), [path], edit, { done: true, frame });
}

/** Takes the frames of a dead stretch out: what comes later moves up. */
export function takeOut({ desk, store }, { from, to }) {
  const map = { kind: 'ripple', from: to + 1, by: -(to - from + 1) };
  const ids = movingRig(store, desk.camera).map((node) => node.id);
  return store.edit([{ edit: 'retime', ids, map, landing: 'merge', markers: false, range: false }], 'Take out frames');
}

/** Moves the keys of a piece so that the first of them stands at a frame. */
export function revealAt({ store }, id, frame) {
  const first = Math.min(...framesOf(store.byId.get(id)));
  const map = { kind: 'shift', by: frame - first };
  return store.edit(
    [{ edit: 'retime', ids: [id], map, landing: 'refuse', markers: false, range: false }],
    'Move a reveal',
  );
}

export const hasKeys = (node) => Boolean(node) && framesOf(node).length > 0;
export const turns = (node) => TURN.some((path) => keysOf(node, path).length > 0);
