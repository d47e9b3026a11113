// Who carries a node one after another: its hand-overs, and a new one at the playhead.
import { getJson } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { toast } from '../common/toasts.js';
import { carrierAt, handOversOf, isNothing } from '../shot/parts.js';
import { sayProblem } from '../shot/say-problem.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';

/** Frames to the clean path of a new hand-over. */
const SETTLES = 24;

const MEETINGS = [
  ['joined', 'no jump'],
  ['settling', 'settles'],
  ['fixed', 'fixed here'],
  ['numbers', 'jumps'],
];
const MEETINGS_SAY =
  'No jump: goes on from where it is left, also when that changes. ' +
  'Settles: the same, and then over some frames to where it would be had its carrier not shaken. ' +
  'Fixed here: what is changed before it later leaves what is after it alone. ' +
  'Jumps: its own numbers mean in the new space.';

/** How a hand-over is made, as its choice says. @param {{offset?: number[], settle?: number}} handOver */
function meetingOf({ offset, settle }) {
  if (!offset) return settle ? 'settling' : 'joined';
  return isNothing(offset) ? 'numbers' : 'fixed';
}

/**
 * @param {(label: string, change: (to: string) => void) => HTMLSelectElement} carriers makes a choice of carriers
 * @param {() => string[]} ids the nodes that are handed over
 */
export function handOversPart(store, desk, node, carriers, ids) {
  const rows = handOversOf(node).map((each) => handOverRow(store, desk, node, each, carriers));
  return {
    element: h(
      'div',
      { class: 'rows' },
      ...rows.map((each) => each.element),
      ...newRows(store, desk, node, carriers, ids),
    ),
    refresh: () => rows.forEach((each) => each.refresh()),
  };
}

/** @param {import('../shot/types.js').Carrying} handOver */
function handOverRow(store, desk, node, handOver, carriers) {
  const { id: stamp, frame, node: carrier = '' } = handOver;
  const now = () => handOversOf(store.byId.get(node.id)).find((each) => each.id === stamp);
  const again = (to, meeting) => desk.nodes.handOver([node.id], to, meeting, now().frame, now().settle || SETTLES);
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
  how.value = meetingOf(handOver);
  const gone = () => store.edit([{ edit: 'remove-stamp', id: node.id, part: 'carried', stamp }]);
  const away = button('×', gone, {
    class: 'away',
    title: 'Take this hand-over away',
    'aria-label': `Take the hand-over at ${frame} away`,
  });
  const line = row('then from', field.element, to, h('span', { class: 'with-away' }, how, away));
  line.classList.add('handed');
  if (!handOver.settle) return { element: line, refresh: () => field.refresh() };
  const settles = new NumberField({
    label: `Frames to the clean path from ${frame}`,
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
    rate: () => store.header.rate,
    get: () => now()?.settle ?? null,
    set: (value, done) => done && desk.nodes.handOver([node.id], carrier, 'settling', now().frame, value),
  });
  return {
    element: h('div', { class: 'rows' }, line, row('settles over', settles.element, h('span'))),
    refresh() {
      field.refresh();
      settles.refresh();
    },
  };
}

/** Another carrier from the playhead on, perhaps where it is calm. */
function newRows(store, desk, node, carriers, ids) {
  let meeting = 'joined';
  const how = choice('How it comes to a new carrier', MEETINGS, (next) => {
    meeting = next;
  });
  how.title = MEETINGS_SAY;
  const to = carriers('Hand over at the playhead to', (next) =>
    desk.nodes.handOver(ids(), next, meeting, desk.frame, SETTLES),
  );
  to.prepend(h('option', { value: '-', text: 'at the playhead to …', disabled: '' }));
  to.value = '-';
  const wait = button('Wait for calm', () => goToCalm(store, desk, node), {
    title: 'Goes to the next frame at which shake has what carries it nearly in its place',
  });
  return [row('Hand over', to, how), row('', wait, h('span'))];
}

/** To the next frame at which what carries a node is nearly where it would be without shake. */
async function goToCalm(store, desk, node) {
  const carrier = carrierAt(node, desk.frame);
  if (!carrier) {
    toast('Nothing carries it here, so nothing shakes it');
    return;
  }
  const from = Math.max(store.header.in, Math.min(store.header.out, Math.ceil(desk.frame)));
  try {
    const calm = await getJson(store.path(`/calm?${new URLSearchParams({ node: carrier, from: String(from) })}`));
    desk.goTo(calm.frame);
    const off = `${trimmed(calm.placeM * 100, 2)} cm and ${trimmed(calm.turnDeg, 2)}°`;
    toast(`At ${calm.frame} ${store.byId.get(carrier).name} is ${off} off its clean path`);
  } catch (problem) {
    toast(sayProblem(problem));
  }
}
