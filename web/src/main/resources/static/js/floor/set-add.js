// What can be put on set, and where it comes to stand.
import { h } from '../common/dom.js';
import { menuItem, openMenu } from '../common/menu.js';

const PIECES = [
  ['Box', { kind: 'box', width: 1, height: 1, depth: 1 }],
  ['Cylinder', { kind: 'cylinder', radiusBottom: 0.5, radiusTop: 0.5, height: 1 }],
  ['Sphere', { kind: 'sphere', radius: 0.5 }],
  ['Plane', { kind: 'plane', width: 4, depth: 4 }],
  ['Person', { kind: 'person', height: 1.72 }],
  ['Stair', { kind: 'stair', width: 1.4, rise: 0.18, run: 0.28, steps: 8, fourSided: false }],
  ['Arch', { kind: 'arch', width: 3, height: 3, depth: 0.6, opening: 1.8 }],
  ['Card', { kind: 'card', width: 1.2, height: 0.8 }],
];
/** @type {[string, object][]} */
const RAILS = [
  ['Straight rail', { shape: 'line', length: 5 }],
  ['Arc', { shape: 'helix', radius: 3, degrees: 90, rise: 0 }],
  ['Circle', { shape: 'circle', radius: 3 }],
  ['Helix', { shape: 'helix', radius: 2, degrees: 720, rise: 3 }],
];
/** @type {[string, object, object][]} */
const LIGHTS = [
  ['Key light', { as: 'key', colour: '#ffe2b8', strength: 6, reach: 20, shadows: true }, { y: 4, pan: 30, tilt: -45 }],
  ['Fill light', { as: 'fill', colour: '#cfe0f0', strength: 2, reach: 20 }, { y: 3, pan: -40, tilt: -25 }],
  ['Practical', { as: 'practical', colour: '#ffcf8a', strength: 1, reach: 8 }, { y: 1.8 }],
];
const MIST = {
  count: 160,
  seed: 1,
  width: 14,
  height: 1.6,
  depth: 14,
  puff: 1.6,
  x: 0.4,
  y: 0,
  z: 0.1,
  colour: '#dfe6ea',
  density: 0.16,
  loops: true,
};
const FARTHEST_M = 8;

async function addNode(store, desk, node) {
  const id = store.freeId(node.kind === 'piece' ? node.shape.kind : node.kind);
  const name = store.freeName(node.name);
  if (await store.edit([{ edit: 'add-nodes', nodes: [{ ...node, id, name }] }])) desk.select(id);
}

/** New things stand in front of the camera, on the ground. */
function inFront(store, desk) {
  const pose = desk.camera && store.pose(desk.camera, desk.frame);
  if (!pose) return { x: 0, z: 0 };
  const far = Math.min(FARTHEST_M, store.lens(desk.camera, desk.frame).focusM);
  const back = { x: 2 * (pose.qx * pose.qz + pose.qy * pose.qw), z: 1 - 2 * (pose.qx * pose.qx + pose.qy * pose.qy) };
  const round = (v) => Math.round(v * 100) / 100;
  return { x: round(pose.x - back.x * far), z: round(pose.z - back.z * far) };
}

/** Opens the menu of what can be added. */
export function openAddMenu(store, desk, anchor) {
  const { x, z } = inFront(store, desk);
  const standing = (numbers) => [{ part: 'keys', ...numbers }];
  const item = (name, node) => menuItem(name, () => addNode(store, desk, { name, ...node }));
  const finish = { colour: '#b9a27e', kind: 'matt' };
  openMenu(anchor, 'Add', [
    item('Camera', { kind: 'camera', chain: standing({ x: x + 1.5, y: 1.6, z: z + 4 }) }),
    item('Null', { kind: 'null', chain: standing({ x, y: 1, z }) }),
    item('Sun', { kind: 'sun', chain: standing({ y: 10, pan: 40, tilt: -30 }) }),
    menuItem('Repeat', () => desk.nodes.repeat(), 'what is selected, again and again'),
    h('h3', { text: 'Light and air' }),
    ...LIGHTS.map(([name, lamp, numbers]) =>
      item(name, { kind: 'light', lamp, chain: standing({ x, z, ...numbers }) }),
    ),
    item('Mist', { kind: 'mist', mist: MIST, chain: standing({ x, y: 1, z }) }),
    item('Haze', { kind: 'haze', haze: { colour: '#c9d4da', half: 60 }, chain: standing({}) }),
    h('h3', { text: 'Rails' }),
    menuItem('Draw a rail', () => desk.rails.begin('stroke'), 'with the pointer on the plan'),
    menuItem('Place anchors', () => desk.rails.begin('anchors'), 'click by click on the plan'),
    ...RAILS.map(([name, source]) => menuItem(name, () => desk.rails.put({ ...source, place: [x, 1, z] }))),
    h('h3', { text: 'Stand-in pieces' }),
    ...PIECES.map(([name, shape]) => item(name, { kind: 'piece', shape, finish, chain: standing({ x, z }) })),
  ]);
}
