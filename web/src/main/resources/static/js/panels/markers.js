// Markers: named places in time, on the shot or on a node.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { MARKER_KINDS } from '../shot/marker-kinds.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';

const HINT = 'Choose a marker in the score, or mark the playhead. While it plays, m taps beats in.';
const COLUMNS = 'Columns: frame or time, and if wanted name and kind (beat, hit, cue, note)';

export const markersPanel = {
  signature: (store, node, desk) => `${desk.marker} ${store.markers.map((m) => m.id).join()} ${store.nodes.length}`,

  build(store, desk) {
    const part = chosen(store, desk) ? markerPart(store, desk) : hintPart();
    return {
      title: 'Markers',
      aside: h('small', { text: `${store.markers.length} in this shot` }),
      elements: [h('div', { class: 'rows' }, ...part.rows, h('div', { class: 'buttons' }, ...buttons(store, desk)))],
      refresh: () => part.refresh(),
    };
  },
};

const chosen = (store, desk) => store.markers.find((m) => m.id === desk.marker) ?? null;

const hintPart = () => ({ rows: [h('p', { class: 'note', text: HINT })], refresh() {} });

/** The fields of the chosen marker. */
function markerPart(store, desk) {
  const now = () => chosen(store, desk);
  const set = (change, done = true) => {
    const edits = [{ edit: 'set-markers', markers: [{ ...now(), ...change }] }];
    if (done) return store.edit(edits);
    store.show(edits);
    return true;
  };
  const frame = new NumberField({
    label: 'Frame of the marker',
    quantity: 'frames',
    unit: 'f',
    digits: 2,
    step: 1,
    rate: () => store.header.rate,
    get: () => now()?.frame ?? null,
    set: (to, done) => set({ frame: Math.round(to) }, done),
  });
  const name = h('input', {
    type: 'text',
    maxlength: '80',
    'aria-label': 'Name of the marker',
    onchange: (event) => set({ name: event.target.value }),
  });
  const kinds = MARKER_KINDS.map(([id, text, letter]) => [id, `${letter} · ${text}`]);
  const kind = choice('Kind of the marker', kinds, (to) => set({ kind: to }));
  const owners = [['', 'the shot'], ...store.nodes.map((n) => [n.id, n.name])];
  const node = choice('What the marker belongs to', owners, (to) => set({ node: to || undefined }));
  return {
    rows: [row('Marker', name, kind), row('At', frame.element, node)],
    refresh() {
      const marker = now();
      if (!marker) return;
      frame.refresh();
      if (document.activeElement !== name) name.value = marker.name;
      kind.value = marker.kind;
      node.value = marker.node ?? '';
    },
  };
}

function buttons(store, desk) {
  const file = beatsFile(store);
  const removing = (ids) => () => store.edit([{ edit: 'remove-markers', ids }]);
  const all = store.markers.map((m) => m.id);
  return [
    button('Mark the playhead', () => desk.mark(), { class: 'main', title: 'm, also while playing' }),
    chosen(store, desk) ? button('Remove', removing([desk.marker])) : '',
    button('Read beats from CSV', () => file.click(), { title: COLUMNS }),
    all.length ? button('Remove all', removing(all), { class: 'danger' }) : '',
    file,
  ];
}

/** A table of beats from a file. */
function beatsFile(store) {
  const file = h('input', {
    type: 'file',
    accept: '.csv,text/csv,text/plain',
    'aria-label': 'Table of beats',
    hidden: true,
  });
  file.addEventListener('change', async () => {
    const table = await file.files[0].text();
    const was = store.markers.length;
    if (await store.takeBeats(table)) toast(`${store.markers.length - was} markers read`);
    file.value = '';
  });
  return file;
}
