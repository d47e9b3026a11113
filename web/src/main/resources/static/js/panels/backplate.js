// The backplate of a camera: which pictures, how they fill the picture, and where they lie.
import { idOf, partOf } from '../shot/parts.js';
import { playing } from '../shot/card-pictures.js';
import { picturesPart } from './card-pictures.js';
import { choice, labelled, row } from './fields.js';
import { panelOf, parametersPart } from './part-panel.js';
import { PartWork } from './part-work.js';

const FITS = [
  ['width', 'full width'],
  ['height', 'full height'],
  ['stretched', 'stretched'],
];
const LIES = [
  ['behind', 'behind the set'],
  ['over', 'over the picture'],
];

export const backplatePanel = {
  signature: (store, node, desk) => JSON.stringify([desk.card, node.id]),

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new PartWork(store, desk, node.id, idOf(part), ['pictures', 'offset', 'fit', 'lies']);
    const pictures = picturesPart(store, desk, {
      id: node.id,
      now: () => work.part?.pictures,
      set: (to, done) => work.set({ pictures: to }, done),
      take: (stills) => work.set({ pictures: playing(work.part.pictures, stills, store.header, 'hold') }),
    });
    return panelOf(store, desk, node, part, [pictures, layPart(work), parametersPart(store, desk, node.id, part)]);
  },
};

function layPart(work) {
  const fit = choice('How the pictures fill the picture', FITS, (value) => work.set({ fit: value }));
  const lies = choice('Where they lie', LIES, (value) => work.set({ lies: value }));
  const offset = work.setting('offset', {
    label: 'Frames by which they come later',
    quantity: 'frames',
    unit: 'f',
    digits: 2,
    step: 1,
  });
  return {
    rows: [row('Lies', lies, fit), row('Offset', labelled('later by', offset.element))],
    refresh() {
      if (!work.part) return;
      fit.value = work.part.fit ?? 'width';
      lies.value = work.part.lies ?? 'behind';
      offset.refresh();
    },
  };
}
