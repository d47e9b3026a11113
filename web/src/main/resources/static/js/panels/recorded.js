// A recording that shakes a node: where it begins, how far and fast it goes, over and over or once.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { toast } from '../common/toasts.js';
import { idOf, partOf } from '../shot/parts.js';
import { sayProblem } from '../shot/say-problem.js';
import { effectPart } from './effect.js';
import { labelled, row } from './fields.js';
import { panelOf, parametersPart, windowPart } from './part-panel.js';
import { PartWork } from './part-work.js';
import { tracesPart } from './shake-traces.js';

const SETTINGS = ['name', 'start', 'loops', 'fade', 'rate', 'samples'];

export const recordedPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.card, partOf(node, desk.card)?.name]),

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new PartWork(store, desk, node.id, idOf(part), SETTINGS);
    const has = ({ id }) => id !== 'lens' || node.kind === 'camera';
    return panelOf(store, desk, node, part, [
      namePart(work),
      timePart(work),
      parametersPart(store, desk, node.id, part, has),
      tracesPart(work),
      effectPart(store, desk, node.id, work.partId),
      windowPart(store, desk, node.id, work.partId),
      keepPart(work),
    ]);
  },
};

function namePart(work) {
  const name = h('input', {
    type: 'text',
    'aria-label': 'Name of the recording',
    maxlength: 60,
    onchange: () => name.value.trim() && work.set({ name: name.value.trim() }),
  });
  const says = h('small', { class: 'note' });
  return {
    rows: [row('Name', name, says)],
    refresh() {
      const { part } = work;
      if (document.activeElement !== name) name.value = part.name;
      const count = Math.max(...Object.values(part.samples).map((column) => column.length));
      says.textContent = `${trimmed((count - 1) / part.rate, 2)} s at ${trimmed(part.rate, 3)}/s`;
    },
  };
}

/** Keeps it for all shots of the production. */
function keepPart(work) {
  const keep = async () => {
    const { name } = work.part;
    try {
      await work.desk.recordings.keep(name, work.part);
      toast(`${name} is kept: + Recorded has it in every shot of the production`);
    } catch (problem) {
      toast(sayProblem(problem));
    }
  };
  const title = 'Keeps it in the production, in place of what has its name there';
  return { rows: [row('Library', button('Keep in the library', keep, { title }), h('span'))], refresh() {} };
}

/** Where it begins, and whether it comes again. */
function timePart(work) {
  const start = work.setting('start', {
    label: 'Frame at which it begins',
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
  });
  const fade = work.setting('fade', { label: 'Cross-fade', quantity: 'plain', unit: 's', digits: 2, step: 0.1 });
  const loops = h('input', { type: 'checkbox', onchange: () => work.set({ loops: loops.checked }) });
  const tick = h('label', { title: 'Its end fades into its beginning' }, loops, 'over and over');
  return {
    rows: [row('Begins at', start.element, h('span')), row('Loop', tick, labelled('fade', fade.element))],
    refresh() {
      start.refresh();
      fade.refresh();
      loops.checked = Boolean(work.part?.loops);
    },
  };
}
