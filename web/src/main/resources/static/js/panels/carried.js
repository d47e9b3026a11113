// What carries a node.
import { button, h } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { isOff } from '../shot/chain-parts.js';
import { choice, fact, row } from './parts.js';

const OFFSET_M = 1e-9;

export const carriedPanel = {
  signature: (store, node) => `${store.nodes.filter((n) => n.kind === 'null').map((n) => n.id + n.name).join()} ${node.carrier} ${node.offset}`,

  build(store, desk, node) {
    const { id } = node;
    const own = family(store, id);
    const carriers = store.nodes.filter((n) => n.kind === 'null' && !own.has(n.id));
    const keep = h('input', { type: 'checkbox', checked: true });
    const carry = (carrier, keepPlace = keep.checked) => store.edit([{ edit: 'carry', id, carrier, frame: desk.frame, keepPlace }]);
    const pick = choice('Carried by', [['', 'The world'], ...carriers.map((n) => [n.id, [...store.carriersOf(n.id), n].map((c) => c.name).join(' › ')])], (value) => carry(value));
    pick.value = node.carrier ?? '';
    const place = [fact('World x', 'Place in the world'), fact('World y', 'Place in the world'), fact('World z', 'Place in the world'), fact('Offset', 'Constant step between carrier and node, which keeps a keyed node in place')];
    const says = h('small', { class: 'note' });
    const offset = node.offset ? Math.hypot(...node.offset.slice(0, 3)) : 0;

    return {
      title: `Carried by · ${node.name}`,
      aside: says,
      elements: [h('div', { class: 'rows' },
        row('Carrier', pick),
        h('label', {}, keep, `Keep its place at frame `, h('span', { class: 'number' })),
        h('div', { class: 'buttons' },
          button('Add a null above', () => this.addAbove(store, desk, node), { title: 'A new null where this stands, between it and its carrier' }),
          node.carrier ? button('Let go', () => carry('')) : null,
          offset > OFFSET_M || node.offset ? button('Clear offset', () => carry(node.carrier ?? '', false), { title: 'Take the own numbers as they are' }) : null),
        h('div', { class: 'facts' }, ...place.map((f) => f.element)))],
      refresh() {
        says.textContent = isOff(store.byId.get(id), 'carried') ? `switched off: the carrier stands as at ${desk.first()}` : '';
        const pose = store.pose(id, desk.frame);
        keep.parentElement.querySelector('.number').textContent = desk.frame;
        if (pose) ['x', 'y', 'z'].forEach((axis, i) => place[i].show(`${fixed(pose[axis], 3)} m`));
        place[3].show(node.offset ? `${fixed(offset, 3)} m` : 'none');
      },
    };
  },

  async addAbove(store, desk, node) {
    const id = store.freeId('null');
    const pose = store.pose(node.id, desk.frame);
    const carrier = node.carrier ?? '';
    const name = store.freeName(`${node.name} null`);
    const kept = await store.edit([
      { edit: 'add-nodes', nodes: [{ id, kind: 'null', name, channels: { x: pose.x, y: pose.y, z: pose.z } }] },
      { edit: 'carry', id, carrier, frame: desk.frame, keepPlace: true },
      { edit: 'carry', id: node.id, carrier: id, frame: desk.frame, keepPlace: true },
    ]);
    if (kept) desk.select(id, 'keys');
  },
};

function family(store, id) {
  const all = new Set([id]);
  for (let grown = true; grown;) {
    grown = false;
    for (const n of store.nodes) if (!all.has(n.id) && all.has(n.carrier)) { all.add(n.id); grown = true; }
  }
  return all;
}
