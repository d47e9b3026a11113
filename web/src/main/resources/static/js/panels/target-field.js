// Choosing a target: from the list of nodes, by a click in picture, plan or list, or as a place in the world.
import { button, h } from '../common/dom.js';
import { pointsOf } from '../shot/node-points.js';
import { aimedAt, targetInFull, targetPlace } from '../shot/targets.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';

const AXES = ['x', 'y', 'z'];

/** Numbers of a place in the world, or of a point of a node. */
function places(store, label, get, set) {
  const field = (axis, i) =>
    new NumberField({
      label: `${label} ${axis}`,
      quantity: 'length',
      unit: 'm',
      digits: 3,
      step: 0.05,
      rate: () => store.header.rate,
      get: () => get()?.[i] ?? null,
      set: (value, done) =>
        set(
          get().map((v, n) => (n === i ? value : v)),
          done,
        ),
    });
  return AXES.map(field);
}

/**
 * @param {object} options
 * @param {string} options.label
 * @param {string} options.own id of the node that aims, which cannot be its own target
 * @param {() => null | import('../shot/types.js').Target} options.get
 * @param {(target: import('../shot/types.js').Target, done: boolean) => any} options.set
 */
export function targetPart(store, desk, { label, own, get, set }) {
  const nodes = store.nodes.filter((n) => n.id !== own);
  const where = () => targetPlace(store, get(), desk.frame)?.map((v) => Math.round(v * 1000) / 1000) ?? [0, 0, 0];
  const pick = choice(label, [['', 'A place in the world'], ...nodes.map((n) => [n.id, n.name])], (id) =>
    set(id ? aimedAt(store, id) : { place: where() }, true),
  );
  const take = (id) => set(aimedAt(store, id), true);
  const picker = button(
    'Pick',
    () => desk.pick(`${label}: click it in the picture, on the plan or in the list`, take),
    {
      title: 'Choose it by a click in the picture, on the plan or in the list',
    },
  );
  const point = choice('Point', [], (name) => set(withPoint(store, get(), name), true));
  const numbers = places(
    store,
    label,
    () => get()?.place ?? get()?.point ?? (get() ? [0, 0, 0] : null),
    (values, done) => set(get().place ? { place: values } : { node: get().node, point: values }, done),
  );
  const rows = [row(label, pick, point, picker), row('x, y, z', ...numbers.map((n) => n.element))];
  return {
    rows,
    refresh() {
      const target = get();
      rows.forEach((each) => {
        each.hidden = !target;
      });
      if (!target) return;
      pick.value = target.node ?? '';
      pick.title = targetInFull(store, target);
      point.hidden = !target.node;
      if (target.node) showPoints(store, target, point);
      numbers.forEach((n) => n.refresh());
    },
  };
}

/** A target at another point of its node, by the name of the point. */
export function withPoint(store, target, name) {
  const found = pointsOf(store.byId.get(target.node)).find((p) => p.name === name);
  return found?.point ? { node: target.node, point: found.point } : { node: target.node };
}

/** Fills a choice of points with those of a target's node, and chooses its own. */
export function showPoints(store, target, select) {
  const points = pointsOf(store.byId.get(target.node));
  const same = (p) => (p.point ?? [0, 0, 0]).every((v, i) => Math.abs(v - (target.point ?? [0, 0, 0])[i]) < 1e-9);
  const names = [...points.map((p) => p.name), 'typed'];
  if (select.dataset.names !== names.join()) {
    select.dataset.names = names.join();
    select.replaceChildren(...names.map((text) => h('option', { value: text, text })));
  }
  select.value = points.find(same)?.name ?? 'typed';
}
