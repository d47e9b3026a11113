// Making the shot longer, at its end or at the playhead: told first, then done as one edit.
import { getJson, Problem } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { framesPerSecond, trimmed } from '../common/format.js';
import { choice, labelled, row } from './fields.js';

const WHERE = [
  ['end', 'at the end'],
  ['playhead', 'at the playhead'],
];

const some = (count, one, many = `${one}s`) => (count === 1 ? `1 ${one}` : `${count} ${many}`);

/** What moves, is stretched and stays, as lines. */
function lines({ keys, curves, lockedCurves, windows, markers }, movesMarkers) {
  const moves = [
    keys.move && some(keys.move, 'key'),
    windows.move && some(windows.move, 'window'),
    movesMarkers && markers.move && some(markers.move, 'marker'),
  ].filter(Boolean);
  const stretches = [curves && some(curves, 'curve'), windows.stretch && some(windows.stretch, 'window')].filter(
    Boolean,
  );
  const markersStay = markers.stay + (movesMarkers ? 0 : markers.move);
  const stay = [
    keys.stay && some(keys.stay, 'key'),
    windows.stay && some(windows.stay, 'window'),
    markersStay && some(markersStay, 'marker'),
    lockedCurves && `${some(lockedCurves, 'locked curve')} that would move`,
  ].filter(Boolean);
  return [
    ['Moves', moves],
    ['Is stretched', stretches],
    ['Stays', stay],
  ];
}

export function longerPart(asked, store, desk) {
  const more = asked.field('more', 'How much longer');
  const where = choice('Where time is put in', WHERE, (to) => asked.change({ where: to }));
  where.value = asked.where;
  const told = h('dl', { class: 'told' });
  const says = h('small');
  const at = () => (asked.where === 'end' ? null : desk.frame);
  const lengthen = () => store.edit([{ edit: 'lengthen', by: asked.more, at: at(), markers: asked.markers }]);
  let shown = '';
  const tell = async () => {
    const state = `${store.revision} ${at()} ${asked.markers}`;
    if (shown === state) return;
    shown = state;
    try {
      const becomes = await getJson(store.path(`/lengthening${at() === null ? '' : `?at=${at()}`}`));
      const rows = lines(becomes, asked.markers).flatMap(([name, list]) => [
        h('dt', { text: name }),
        h('dd', { text: [list].flat().join(', ') || 'nothing' }),
      ]);
      if (shown === state) told.replaceChildren(...rows);
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
    }
  };
  return {
    says,
    rows: [
      row('Longer', labelled('by', more.element), where),
      h('div', { class: 'row one' }, h('span'), asked.check('markers', 'markers move too')),
      h('div', { role: 'status' }, told),
      h('div', { class: 'buttons' }, button('Make it longer', lengthen, { class: 'main' })),
    ],
    refresh() {
      more.refresh();
      const seconds = trimmed(asked.more / framesPerSecond(store.header.rate), 2);
      says.textContent = `${some(asked.more, 'frame')}, ${seconds} s more`;
      if (!store.before) tell();
    },
  };
}
