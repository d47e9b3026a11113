// Rails on plan, side and outside: a double line, sleepers at the anchors, tangents, and flags of timing pins.
import { s } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { anchorsOf, pointsAlong, ridersOf, rideOf } from '../shot/rails.js';
import { takeable } from './takes.js';

const SLEEPER_PX = 7;
const SHORTEST_HANDLE_PX = 4;
const MOST_HANDLES = 14; // anchors whose tangents are shown unless some are chosen

/** @param {number[]} place */
const screen = (plan, place) => plan.place({ x: place[0], y: place[1], z: place[2] });
const text = ([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`;

function lineOf(plan, node, anchors) {
  let d = '';
  let pen = false;
  for (const place of pointsAlong(node, anchors)) {
    const p = screen(plan, place);
    if (p) d += `${pen ? 'L' : 'M'}${text(p)}`;
    pen = Boolean(p);
  }
  return d;
}

/** A short line across the rail. */
function sleeper(plan, anchor) {
  const [at, on, back] = [anchor.at, anchor.out, anchor.in].map((p) => screen(plan, p));
  if (!at || !on || !back) return '';
  const [dx, dy] = [on[0] - back[0], on[1] - back[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * SLEEPER_PX, (dx / length) * SLEEPER_PX];
  return `M${text([at[0] - nx, at[1] - ny])}L${text([at[0] + nx, at[1] + ny])}`;
}

/** All rails as lines, under what stands on the plan. */
export function railLines(plan) {
  const { store, desk } = plan;
  return store.nodes
    .filter((node) => node.kind === 'rail' && !store.isHidden(node, desk.frame))
    .flatMap((node) => {
      const anchors = anchorsOf(store, node, desk.frame);
      const d = lineOf(plan, node, anchors);
      if (!d) return [];
      const selected = desk.selection().includes(node.id);
      const says = selected ? `${node.name}: drag it, Alt and a click puts an anchor here` : node.name;
      return [
        s('path', { class: `rail-ties${selected ? ' chosen' : ''}`, d: anchors.map((a) => sleeper(plan, a)).join('') }),
        s('path', { class: `rail outer${selected ? ' chosen' : ''}`, d }),
        s('path', { class: 'rail inner', d }),
        s('path', { class: 'rail-reach', d, ...takeable('rail', node.id) }, s('title', { text: says })),
      ];
    });
}

/** Anchors and tangents of the selected rail, and the pins of what rides it or of what is selected. */
export function railHands(plan) {
  const { desk } = plan;
  return [...(desk.node?.kind === 'rail' ? anchors(plan, desk.node) : []), ...pins(plan)];
}

function anchors(plan, node) {
  const { store, desk } = plan;
  const all = anchorsOf(store, node, desk.frame);
  const chosen = desk.rails.chosenOf(node);
  return all.flatMap((anchor, i) => {
    const p = screen(plan, anchor.at);
    if (!p) return [];
    const isChosen = chosen.includes(anchor.id);
    const shows = isChosen || (!chosen.length && all.length <= MOST_HANDLES);
    const name = `${node.id} ${anchor.id}`;
    return [
      ...(shows ? tangents(plan, node, anchor, p) : []),
      s(
        'rect',
        {
          class: `anchor ${anchor.kind}${isChosen ? ' chosen' : ''}`,
          x: (p[0] - 5).toFixed(1),
          y: (p[1] - 5).toFixed(1),
          width: 10,
          height: 10,
          rx: anchor.kind === 'corner' || anchor.kind === 'broken' ? 0 : 5,
          ...takeable('anchor', name),
        },
        s('title', { text: `Anchor ${i + 1} of ${node.name}, ${anchor.kind}, at ${trimmed(anchor.distance, 2)} m` }),
      ),
    ];
  });
}

function tangents(plan, node, anchor, p) {
  if (anchor.kind === 'corner') return [];
  return ['in', 'out'].flatMap((side) => {
    const end = screen(plan, anchor[side]);
    if (!end || Math.hypot(end[0] - p[0], end[1] - p[1]) < SHORTEST_HANDLE_PX) return [];
    return [
      s('path', { class: 'tangent', d: `M${text(p)}L${text(end)}` }),
      s(
        'circle',
        {
          class: 'rail-handle',
          cx: end[0].toFixed(1),
          cy: end[1].toFixed(1),
          r: 3.6,
          ...takeable('rail-handle', `${node.id} ${anchor.id} ${side}`),
        },
        s('title', { text: 'Tangent of an anchor: drag it, Alt for this side alone' }),
      ),
    ];
  });
}

/** Flags at the places that rides reach at a frame. */
function pins(plan) {
  const { store, desk } = plan;
  const selection = [...desk.selection(), desk.camera];
  return store.nodes
    .filter((node) => node.kind === 'rail' && !store.isHidden(node, desk.frame))
    .flatMap((rail) => {
      const riders = ridersOf(store, rail.id).filter(
        (n) => selection.includes(n.id) || desk.selection().includes(rail.id),
      );
      const all = riders.length ? anchorsOf(store, rail, desk.frame) : [];
      return riders.flatMap((node) => flags(plan, node, rideOf(node, rail.id), all));
    });
}

function flags(plan, node, ride, all) {
  return (ride.pins ?? []).flatMap((pin) => {
    const anchor = all.find((a) => a.id === pin.anchor);
    const p = anchor && screen(plan, anchor.at);
    if (!p) return [];
    const [x, y] = p;
    return [
      s(
        'g',
        { class: 'pin', transform: `translate(${text([x, y])})` },
        s('title', { text: `${node.name} is here at frame ${pin.frame}` }),
        s('path', { class: 'pole', d: 'M0 0V-20' }),
        s('path', { class: 'cloth', d: 'M0 -20H11L8 -15.5L11 -11H0Z' }),
        s('text', { class: 'halo', x: 13, y: -11, text: trimmed(pin.frame, 1) }),
      ),
    ];
  });
}

/** What has been drawn of a rail so far. */
export function drawnSoFar(plan) {
  const { drawing } = plan.desk.rails;
  const points = (drawing?.points ?? []).map((p) => screen(plan, p)).filter(Boolean);
  if (!points.length) return [];
  return [
    s('path', { class: 'rail drawn', d: `M${points.map(text).join('L')}` }),
    ...(drawing.how === 'stroke'
      ? []
      : points.map(([x, y]) => s('circle', { class: 'drawn-dot', cx: x, cy: y, r: 4 }))),
  ];
}
