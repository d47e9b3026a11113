// Markers: named places in time, on the shot or on a node.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { KINDS } from '../floor/score-markers.js';
import { NumberField } from './number-field.js';
import { choice, row } from './fields.js';

export const markersPanel = {
  signature: (store, node, desk) => `${desk.marker} ${store.markers.map((m) => m.id).join()} ${store.nodes.length}`,

  build(store, desk) {
    const marker = () => store.markers.find((m) => m.id === desk.marker) ?? null;
    const set = (change, done = true) => {
      const edits = [{ edit: 'set-markers', markers: [{ ...marker(), ...change }] }];
      if (!done) {
        store.show(edits);
        return true;
      }
      return store.edit(edits);
    };
    const frame = new NumberField({
      label: 'Frame of the marker',
      quantity: 'frames',
      unit: 'f',
      digits: 2,
      step: 1,
      rate: () => store.header.rate,
      get: () => marker()?.frame ?? null,
      set: (to, done) => set({ frame: Math.round(to) }, done),
    });
    const name = h('input', {
      type: 'text',
      maxlength: '80',
      'aria-label': 'Name of the marker',
      onchange: (event) => set({ name: event.target.value }),
    });
    const kind = choice(
      'Kind of the marker',
      KINDS.map(([id, text, letter]) => [id, `${letter} · ${text}`]),
      (to) => set({ kind: to }),
    );
    const node = choice(
      'What the marker belongs to',
      [['', 'the shot'], ...store.nodes.map((n) => [n.id, n.name])],
      (to) => set({ node: to || undefined }),
    );
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
    const here = marker();
    return {
      title: 'Markers',
      aside: h('small', { text: `${store.markers.length} in this shot` }),
      elements: [
        h(
          'div',
          { class: 'rows' },
          ...(here
            ? [row('Marker', name, kind), row('At', frame.element, node)]
            : [
                h('p', {
                  class: 'note',
                  text: 'Choose a marker in the score, or mark the playhead. While it plays, m taps beats in.',
                }),
              ]),
          h(
            'div',
            { class: 'buttons' },
            button('Mark the playhead', () => desk.mark(), { class: 'main', title: 'm, also while playing' }),
            ...(here ? [button('Remove', () => store.edit([{ edit: 'remove-markers', ids: [desk.marker] }]))] : []),
            button('Read beats from CSV', () => file.click(), {
              title: 'Columns: frame or time, and if wanted name and kind (beat, hit, cue, note)',
            }),
            store.markers.length
              ? button(
                  'Remove all',
                  () => store.edit([{ edit: 'remove-markers', ids: store.markers.map((m) => m.id) }]),
                  { class: 'danger' },
                )
              : '',
            file,
          ),
        ),
      ],
      refresh() {
        const now = marker();
        if (!now) return;
        frame.refresh();
        if (document.activeElement !== name) name.value = now.name;
        kind.value = now.kind;
        node.value = now.node ?? '';
      },
    };
  },
};
