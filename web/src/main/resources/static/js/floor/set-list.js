// On set: the list of everything, nested by carrier.
import { button, h, s } from '../common/dom.js';

const GLYPHS = {
  camera: 'M7 12 2.5 2.5h9z',
  null: 'M7 2.5a4.5 4.5 0 1 0 .01 0M7 2.5V6',
  piece: 'M2.5 2.5h9v9h-9z',
  sun: 'M7 4.5a2.5 2.5 0 1 0 .01 0M7 .8v1.6M7 11.6v1.6M.8 7h1.6M11.6 7h1.6',
};

const NEW_PIECES = [
  ['Box', { kind: 'box', width: 1, height: 1, depth: 1 }], ['Cylinder', { kind: 'cylinder', radiusBottom: 0.5, radiusTop: 0.5, height: 1 }],
  ['Sphere', { kind: 'sphere', radius: 0.5 }], ['Plane', { kind: 'plane', width: 4, depth: 4 }], ['Person', { kind: 'person', height: 1.72 }],
  ['Stair', { kind: 'stair', width: 1.4, rise: 0.18, run: 0.28, steps: 8, fourSided: false }],
  ['Arch', { kind: 'arch', width: 3, height: 3, depth: 0.6, opening: 1.8 }], ['Card', { kind: 'card', width: 1.2, height: 0.8 }],
];

export class SetList {
  constructor(store, desk, { list, add }) {
    this.store = store;
    this.desk = desk;
    this.list = list;
    this.folded = null;
    add.addEventListener('click', () => this.openMenu(add));
    list.addEventListener('keydown', (event) => this.key(event));
    store.addEventListener('shot', () => this.render());
    desk.addEventListener('selection', () => this.render());
  }

  /** Sets of pieces start folded; what carries a camera starts open. */
  foldAtFirst() {
    this.folded = new Set();
    const rigs = new Set(this.store.cameras().flatMap((camera) => this.store.carriersOf(camera.id).map((n) => n.id)));
    for (const node of this.store.nodes) if (node.kind === 'null' && !rigs.has(node.id)) this.folded.add(node.id);
  }

  rows() {
    const carried = new Map();
    for (const node of this.store.nodes) carried.set(node.carrier ?? '', [...(carried.get(node.carrier ?? '') ?? []), node]);
    const rows = [];
    const walk = (carrier, depth) => {
      for (const node of carried.get(carrier) ?? []) {
        const inside = carried.get(node.id)?.length ?? 0;
        rows.push({ node, depth, inside });
        if (inside && !this.folded.has(node.id)) walk(node.id, depth + 1);
      }
    };
    walk('', 0);
    return rows;
  }

  /** @param again also if the list says the same as before */
  render(again = false) {
    if (!this.store.header) return;
    if (!this.folded) this.foldAtFirst();
    for (const carrier of this.store.carriersOf(this.desk.selected)) this.folded.delete(carrier.id);
    const { desk } = this;
    const signature = [desk.selected, desk.camera, ...this.folded, ...this.store.nodes.flatMap((n) => [n.id, n.name, n.kind, n.hidden, n.carrier])].join('|');
    if (signature === this.signature && !again) return;
    this.signature = signature;
    const at = this.list.scrollTop;
    const inList = this.list.contains(document.activeElement);
    this.shown = this.rows();
    this.list.replaceChildren(...this.shown.map((row) => this.row(row)));
    this.list.scrollTop = at;
    const chosen = this.list.querySelector('.chosen .pick');
    chosen?.scrollIntoView({ block: 'nearest' });
    if (inList) chosen?.focus();
  }

  row({ node, depth, inside }) {
    const chosen = node.id === this.desk.selected;
    const seen = node.id === this.desk.camera;
    const folded = this.folded.has(node.id);
    const fold = inside
      ? button(folded ? '▸' : '▾', () => { if (folded) this.folded.delete(node.id); else this.folded.add(node.id); this.render(); }, { class: 'fold', 'aria-label': `${folded ? 'Unfold' : 'Fold'} ${node.name}`, tabindex: '-1' })
      : h('span', { class: 'fold' });
    const tag = seen ? h('span', { class: 'tag seen', text: '●', title: 'Shown in the picture' }) : inside && folded ? h('span', { class: 'tag', text: inside }) : null;
    const glyph = s('svg', { class: 'glyph', viewBox: '0 0 14 14', 'aria-hidden': 'true' }, s('path', { d: GLYPHS[node.kind] }));
    const hide = button(node.hidden ? '○' : '●', () => this.store.edit([{ edit: 'set-hidden', id: node.id, hidden: !node.hidden }]), { class: 'eye', title: node.hidden ? 'Show' : 'Hide', 'aria-label': `${node.hidden ? 'Show' : 'Hide'} ${node.name}`, tabindex: '-1' });
    const row = h('li', { class: [chosen ? 'chosen' : '', node.hidden ? 'off' : ''].join(' ').trim(), 'data-id': node.id },
      fold, h('button', { type: 'button', class: 'pick', 'aria-current': chosen ? 'true' : undefined, 'aria-label': `${node.name}, ${node.kind}`, tabindex: chosen ? '0' : '-1', onclick: () => this.desk.select(node.id) }, glyph, h('span', { class: 'name', text: node.name, title: node.name }), tag), hide);
    row.style.paddingLeft = `${depth * 10}px`;
    row.addEventListener('dblclick', () => this.rename(node));
    return row;
  }

  key(event) {
    const at = this.shown.findIndex((row) => row.node.id === this.desk.selected);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: this.shown.length - 1 }[event.key];
    if (to !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      const row = this.shown[Math.max(0, Math.min(this.shown.length - 1, to))];
      if (row) this.desk.select(row.node.id);
    } else if (event.key === 'F2') {
      this.rename(this.desk.node);
    } else if (event.key === 'Delete') {
      this.remove();
    }
  }

  rename(node = this.desk.node) {
    const row = node && this.list.querySelector(`[data-id="${node.id}"] .name`);
    if (!row) return;
    const input = h('input', { type: 'text', value: node.name, maxlength: '80', 'aria-label': 'Name' });
    let done = false;
    const end = (keep) => {
      if (done) return;
      done = true;
      const name = input.value.trim();
      if (keep && name && name !== node.name) this.store.edit([{ edit: 'rename', id: node.id, name }]);
      else this.render(true);
    };
    input.addEventListener('keydown', (event) => {
      event.stopPropagation();
      if (event.key === 'Enter') end(true);
      if (event.key === 'Escape') end(false);
    });
    input.addEventListener('blur', () => end(true));
    row.replaceWith(input);
    input.focus();
    input.select();
  }

  async duplicate() {
    const { node } = this.desk;
    if (!node) return;
    const newId = this.store.freeId('copy');
    const kept = await this.store.edit([{ edit: 'duplicate', id: node.id, newId, newName: this.store.freeName(`${node.name} copy`) }]);
    if (kept) this.desk.select(newId);
  }

  /** Takes the node away; the pieces of a folded set go with their null, a rig's camera stays. */
  remove() {
    const { node } = this.desk;
    if (!node) return;
    const withCarried = node.kind === 'null' && this.folded.has(node.id);
    this.store.edit([{ edit: 'remove-nodes', ids: [node.id], frame: this.desk.frame, withCarried }]);
  }

  async addNode(node) {
    const id = this.store.freeId(node.kind === 'piece' ? node.shape.kind : node.kind);
    const name = this.store.freeName(node.name);
    if (await this.store.edit([{ edit: 'add-nodes', nodes: [{ ...node, id, name }] }])) this.desk.select(id);
  }

  /** New things stand in front of the camera, on the ground; a new camera where the picture is. */
  inFront() {
    const pose = this.desk.camera && this.store.pose(this.desk.camera, this.desk.frame);
    if (!pose) return { x: 0, z: 0 };
    const far = Math.min(8, this.store.lens(this.desk.camera, this.desk.frame).focusM);
    const back = { x: 2 * (pose.qx * pose.qz + pose.qy * pose.qw), z: 1 - 2 * (pose.qx * pose.qx + pose.qy * pose.qy) };
    const round = (v) => Math.round(v * 100) / 100;
    return { x: round(pose.x - back.x * far), z: round(pose.z - back.z * far) };
  }

  openMenu(anchor) {
    this.closeMenu();
    const { x, z } = this.inFront();
    const cameraAt = { x: x + 1.5, y: 1.6, z: z + 4 };
    const add = (name, node) => button(name, () => { this.closeMenu(); this.addNode({ name, ...node }); }, { role: 'menuitem' });
    this.menu = h('div', { class: 'menu', role: 'menu', 'aria-label': 'Add' },
      add('Camera', { kind: 'camera', channels: cameraAt }),
      add('Null', { kind: 'null', channels: { x, y: 1, z } }),
      add('Sun', { kind: 'sun', channels: { y: 10, pan: 40, tilt: -30 } }),
      h('h3', { text: 'Stand-in pieces' }),
      NEW_PIECES.map(([name, shape]) => add(name, { kind: 'piece', shape, finish: { colour: '#b9a27e', kind: 'matt' }, channels: { x, y: 0, z } })));
    const box = anchor.getBoundingClientRect();
    this.menu.style.left = `${box.left}px`;
    this.menu.style.top = `${box.bottom + 2}px`;
    document.body.append(this.menu);
    this.menu.querySelector('button').focus();
    this.menu.addEventListener('keydown', (event) => this.menuKey(event, anchor));
    this.away = new AbortController();
    document.addEventListener('pointerdown', (event) => { if (!this.menu?.contains(event.target)) this.closeMenu(); }, { signal: this.away.signal });
  }

  menuKey(event, anchor) {
    event.stopPropagation();
    const items = [...this.menu.querySelectorAll('button')];
    const at = items.indexOf(document.activeElement);
    if (event.key === 'Escape') { this.closeMenu(); anchor.focus(); }
    if (event.key === 'ArrowDown') { event.preventDefault(); items[(at + 1) % items.length].focus(); }
    if (event.key === 'ArrowUp') { event.preventDefault(); items[(at + items.length - 1) % items.length].focus(); }
  }

  closeMenu() {
    this.menu?.remove();
    this.menu = null;
    this.away?.abort();
  }
}
