// On set: the list of everything, nested by carrier.
import { button, h, s } from '../common/dom.js';
import { carrierOf, handOversOf } from '../shot/parts.js';
import { isHiddenIn } from '../shot/hidden.js';
import { openAddMenu } from './set-add.js';
import { SetDrag } from './set-drag.js';
import { SetRows } from './set-rows.js';

/** Whether a node is out of sight in views or picture. */
const isOut = (node) => isHiddenIn(node, 'views') || isHiddenIn(node, 'picture');

const GLYPHS = {
  camera: 'M7 12 2.5 2.5h9z',
  null: 'M7 2.5a4.5 4.5 0 1 0 .01 0M7 2.5V6',
  piece: 'M2.5 2.5h9v9h-9z',
  rail: 'M2 11c3-8 7 2 10-7M1 8.5c3-8 7 2 10-7',
  repeat: 'M1.5 8.5h4v4h-4zM5 5h4v4M8.5 1.5h4v4',
  light: 'M4.6 8.2a3.4 3.4 0 1 1 4.8 0v1.6H4.6zM5.2 12h3.6',
  mist: 'M1.5 4.5c2-1.6 3.5 1.6 5.5 0s3.5 1.6 5.5 0M1.5 9c2-1.6 3.5 1.6 5.5 0s3.5 1.6 5.5 0',
  haze: 'M1.5 3.5h11M3 7h8M1.5 10.5h11',
  sun: 'M7 4.5a2.5 2.5 0 1 0 .01 0M7 .8v1.6M7 11.6v1.6M.8 7h1.6M11.6 7h1.6',
};
/** How far a row is moved in for each carrier above it, and for how many at most: names stay in sight. */
const STEP_PX = 10;
const DEEPEST_STEP = 5;

/** Of rows that are not moved in as far as they stand deep, how deep that is. */
const titleOf = (node, depth) => (depth > DEEPEST_STEP ? `${node.name}, below ${depth} carriers` : node.name);

/** The two signs on a row: the camera in the picture, and the eye of what is shown or hidden. */
export const SIGNS = {
  seen: 'M1.5 3h11v8h-11zM4 5.5h6v3H4z',
  shown: 'M1 7c3-5 9-5 12 0c-3 5-9 5-12 0M7 5.2a1.8 1.8 0 1 0 .01 0',
  hidden: 'M1 6c3 4 9 4 12 0M3 8.2 1.8 10M7 9v2.2M11 8.2l1.2 1.8',
};

export const sign = (d) => s('svg', { class: 'sign', viewBox: '0 0 14 14', 'aria-hidden': 'true' }, s('path', { d }));

export class SetList {
  constructor(store, desk, { list, add, search }) {
    this.store = store;
    this.desk = desk;
    this.list = list;
    this.rows = new SetRows(store);
    add.addEventListener('click', () => openAddMenu(store, desk, add));
    list.addEventListener('keydown', (event) => this.key(event));
    this.drag = new SetDrag(desk, list);
    this.search = search;
    this.shown = [];
    this.renaming = false;
    this.listenToSearch(search);
    store.addEventListener('shot', () => this.render());
    desk.addEventListener('selection', () => this.render());
  }

  listenToSearch(search) {
    search.addEventListener('input', () => {
      this.rows.sought = search.value;
      this.render();
    });
    search.addEventListener('keydown', (event) => {
      if (event.key === 'Enter' && this.shown.length) this.desk.select(this.bestHit().node.id);
      if (event.key !== 'Escape') return;
      search.value = '';
      this.rows.sought = '';
      search.blur();
      this.render();
    });
  }

  /** The first row whose own name holds what is sought. */
  bestHit() {
    const sought = this.rows.sought.trim().toLowerCase();
    return this.shown.find((row) => row.node.name.toLowerCase().includes(sought)) ?? this.shown[0];
  }

  /** @param again also if the list says the same as before */
  render(again = false) {
    if (!this.store.header) return;
    this.rows.load();
    for (const carrier of this.store.carriersOf(this.desk.selected)) this.rows.fold(carrier.id, false);
    const signature = this.signature();
    if (this.renaming || (signature === this.drawn && !again)) return; // what is being typed stays
    const moved = this.selected !== this.desk.selected;
    this.drawn = signature;
    this.selected = this.desk.selected;
    const at = this.list.scrollTop;
    const inList = this.list.contains(document.activeElement);
    this.shown = this.rows.all();
    const nothing = h('li', { class: 'none', text: 'Nothing of that name on set' });
    this.list.replaceChildren(...(this.shown.length ? this.elements() : [nothing]));
    this.list.scrollTop = at;
    this.showChosen(moved || inList, inList);
  }

  signature() {
    const { desk, store } = this;
    const nodes = store.nodes.flatMap((n) => [
      n.id,
      n.name,
      n.kind,
      n.hidden,
      carrierOf(n),
      handOversOf(n)
        .map((each) => each.node)
        .join(),
    ]);
    return [...desk.selection(), desk.camera, this.rows.sought, ...this.rows.folded, ...nodes].join('|');
  }

  /** The chosen row is whole and in sight. */
  showChosen(scroll, focus) {
    const chosen = this.list.querySelector('.chosen');
    if (scroll) chosen?.scrollIntoView({ block: 'nearest' });
    if (focus) chosen?.querySelector('.pick').focus();
  }

  /** Rigs and cameras, a line, and the set. */
  elements() {
    const firstPiece = this.shown.findIndex((row) => row.depth === 0 && !row.rig);
    return this.shown.map((row, i) => this.row(row, i > 0 && i === firstPiece));
  }

  row({ node, depth, inside }, parted) {
    const chosen = this.desk.selection().includes(node.id);
    const look = [chosen ? 'chosen' : '', isOut(node) ? 'off' : '', parted ? 'parted' : ''].join(' ').trim();
    const row = h(
      'li',
      { class: look, 'data-id': node.id },
      this.foldButton(node, inside),
      this.pickButton(node, inside, depth),
      this.eye(node),
    );
    row.style.paddingLeft = `${Math.min(depth, DEEPEST_STEP) * STEP_PX}px`;
    row.addEventListener('dblclick', () => this.rename(node));
    return row;
  }

  foldButton(node, inside) {
    if (!inside) return h('span', { class: 'fold' });
    const folded = this.rows.isFolded(node.id);
    const toggle = () => {
      this.rows.fold(node.id, !folded);
      this.render();
    };
    const label = `${folded ? 'Unfold' : 'Fold'} ${node.name}`;
    return button(folded ? '▸' : '▾', toggle, { class: 'fold', 'aria-label': label, tabindex: '-1' });
  }

  pickButton(node, inside, depth) {
    const seen = node.id === this.desk.camera;
    const count = inside && this.rows.isFolded(node.id) ? h('span', { class: 'tag', text: inside }) : null;
    const frame = seen ? h('span', { class: 'tag seen', title: 'Shown in the picture' }, sign(SIGNS.seen)) : count;
    const glyph = s(
      'svg',
      { class: 'glyph', viewBox: '0 0 14 14', 'aria-hidden': 'true' },
      s('path', { d: GLYPHS[node.kind] }),
    );
    const attributes = {
      type: 'button',
      class: 'pick',
      'aria-current': node.id === this.desk.selected ? 'true' : undefined,
      'aria-label': `${node.name}, ${node.kind}`,
      tabindex: node.id === this.desk.selected ? '0' : '-1',
      onclick: (event) => this.pick(node.id, event),
    };
    return h(
      'button',
      attributes,
      glyph,
      h('span', { class: 'name', text: node.name, title: titleOf(node, depth) }),
      frame ?? this.handed(node),
    );
  }

  /** To whom a node is handed over later: it stands below its first carrier. */
  handed(node) {
    const later = handOversOf(node).map((each) => this.store.byId.get(each.node)?.name ?? 'the world');
    if (!later.length) return null;
    return h('span', { class: 'tag', text: `› ${later[0]}`, title: `Handed over to ${later.join(', then ')}` });
  }

  /** Shift selects all rows up to this one, Ctrl one more or one less. */
  pick(id, event) {
    const { desk } = this;
    if (desk.picking || !(event.shiftKey || event.ctrlKey || event.metaKey)) desk.select(id);
    else if (!event.shiftKey) desk.selectMore(id);
    else {
      const ids = this.shown.map((row) => row.node.id);
      const [from, to] = [ids.indexOf(desk.selected), ids.indexOf(id)].sort((a, b) => a - b);
      const between = ids.slice(Math.max(0, from), to + 1);
      desk.selectAll([desk.selected, ...between.filter((each) => each !== desk.selected)]);
    }
  }

  eye(node) {
    const says = isOut(node) ? `Show ${node.name}` : `Hide ${node.name}`;
    const selection = this.desk.selection();
    const ids = selection.includes(node.id) ? selection : [node.id];
    const toggle = () => this.desk.nodes.hide(ids, !isOut(node));
    const attributes = {
      type: 'button',
      class: 'eye',
      title: says,
      'aria-label': says,
      tabindex: '-1',
      onclick: toggle,
    };
    return h('button', attributes, sign(isOut(node) ? SIGNS.hidden : SIGNS.shown));
  }

  key(event) {
    const at = this.shown.findIndex((row) => row.node.id === this.desk.selected);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: this.shown.length - 1 }[event.key];
    if (to !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      const row = this.shown[Math.max(0, Math.min(this.shown.length - 1, to))];
      if (row) this.desk.select(row.node.id);
    } else if (event.key === 'Delete') {
      this.remove();
    }
  }

  rename(node = this.desk.node) {
    if (!node || this.renaming) return;
    this.show(node);
    const name = this.list.querySelector(`[data-id="${node.id}"] .pick`);
    this.renaming = true;
    const walked = this.list.contains(document.activeElement);
    const input = h('input', { type: 'text', value: node.name, maxlength: '80', 'aria-label': 'Name' });
    let done = false;
    const end = (keep) => {
      if (done) return;
      done = true;
      this.renaming = false;
      const text = input.value.trim();
      const now = this.store.byId.get(node.id);
      if (keep && now && text && text !== now.name) this.store.edit([{ edit: 'rename', id: node.id, name: text }]);
      this.render(true);
      this.showChosen(walked, walked); // who walked through the list goes on there
    };
    input.addEventListener('keydown', (event) => {
      if (event.key === 'Enter') end(true);
      if (event.key === 'Escape') end(false);
    });
    input.addEventListener('blur', () => end(true));
    name.replaceWith(input);
    input.focus();
    input.select();
  }

  /** Makes the row of a node be there, whatever is folded or sought. */
  show(node) {
    for (const carrier of this.store.carriersOf(node.id)) this.rows.fold(carrier.id, false);
    if (this.shown.some((row) => row.node.id === node.id)) return;
    this.search.value = '';
    this.rows.sought = '';
    this.render(true);
  }

  duplicate() {
    if (this.desk.node) this.desk.nodes.duplicate(this.desk.topSelection());
  }

  /** Takes what is selected away; the pieces of a folded set go with their null, a rig's camera stays. */
  remove() {
    if (this.desk.node) this.desk.nodes.remove(this.desk.selection(), (id) => this.rows.isFolded(id));
  }
}
