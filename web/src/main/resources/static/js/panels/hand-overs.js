// Who carries a node one after another: its hand-overs, and a new one at the playhead.
import { button, h } from '../common/dom.js';
import { handOversOf, isNothing } from '../shot/parts.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';

const MEETINGS = [
  ['joined', 'no jump'],
  ['fixed', 'fixed here'],
  ['numbers', 'jumps'],
];
const MEETINGS_SAY =
  'No jump: goes on from where it is left, also when that changes. ' +
  'Fixed here: what is changed before it later leaves what is after it alone. ' +
  'Jumps: its own numbers mean in the new space.';

/** How a hand-over is made, as its choice says. @param {{offset?: number[]}} handOver */
function meetingOf({ offset }) {
  if (!offset) return 'joined';
  return isNothing(offset) ? 'numbers' : 'fixed';
}

/**
 * @param {(label: string, change: (to: string) => void) => HTMLSelectElement} carriers makes a choice of carriers
 * @param {() => string[]} ids the nodes that are handed over
 */
export function handOversPart(store, desk, node, carriers, ids) {
  const rows = handOversOf(node).map((each) => handOverRow(store, desk, node, each, carriers));
  return {
    element: h('div', { class: 'rows' }, ...rows.map((each) => each.element), newRow(desk, carriers, ids)),
    refresh: () => rows.forEach((each) => each.refresh()),
  };
}

/** @param {import('../shot/types.js').Carrying} handOver */
function handOverRow(store, desk, node, handOver, carriers) {
  const { id: stamp, frame, node: carrier = '', offset } = handOver;
  const now = () => handOversOf(store.byId.get(node.id)).find((each) => each.id === stamp);
  const again = (to, meeting) => desk.nodes.handOver([node.id], to, meeting, now().frame);
  const field = new NumberField({
    label: `Frame of the hand-over at ${frame}`,
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
    rate: () => store.header.rate,
    get: () => now()?.frame ?? null,
    set: (value, done) => {
      const edits = [{ edit: 'move-stamp', id: node.id, part: 'carried', stamp, frame: value }];
      if (done) return store.edit(edits);
      store.show(edits);
      return true;
    },
  });
  const to = carriers('Handed over to', (next) => again(next, meetingOf(now())));
  to.value = carrier;
  const how = choice('How it comes there', MEETINGS, (meeting) => again(now().node ?? '', meeting));
  how.title = MEETINGS_SAY;
  how.value = meetingOf({ offset });
  const gone = () => store.edit([{ edit: 'remove-stamp', id: node.id, part: 'carried', stamp }]);
  const away = button('×', gone, {
    class: 'away',
    title: 'Take this hand-over away',
    'aria-label': `Take the hand-over at ${frame} away`,
  });
  const element = row('then from', field.element, to, h('span', { class: 'with-away' }, how, away));
  element.classList.add('handed');
  return {
    element,
    refresh: () => field.refresh(),
  };
}

/** Another carrier from the playhead on. */
function newRow(desk, carriers, ids) {
  let meeting = 'joined';
  const how = choice('How it comes to a new carrier', MEETINGS, (next) => {
    meeting = next;
  });
  how.title = MEETINGS_SAY;
  const to = carriers('Hand over at the playhead to', (next) => desk.nodes.handOver(ids(), next, meeting));
  to.prepend(h('option', { value: '-', text: 'at the playhead to …', disabled: '' }));
  to.value = '-';
  return row('Hand over', to, how);
}
