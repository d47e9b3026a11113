// Where takes come from: the settings of who walks, and of the tracker that is listened to.
import { button, h } from '../common/dom.js';
import { fact, labelled, row } from './fields.js';

/** Who walks. @param {any} panel */
export function walkRows(panel) {
  const { walk } = panel.operation;
  const number = (name, label, options) =>
    panel.number({
      label,
      quantity: 'plain',
      digits: 2,
      step: 0.05,
      get: () => walk.body[name],
      set: (value, done) => done && (walk.setBody({ [name]: value }), true),
      ...options,
    });
  const length = { quantity: 'length', unit: 'm' };
  const eye = number('eye', 'Height of the camera over the ground', length);
  const speed = number('speed', 'Speed', { unit: 'm/s', step: 0.1, usual: 1.4 });
  const step = number('step', 'Highest step that is taken', { ...length, usual: 0.35 });
  const jump = number('jump', 'Height of a jump', { ...length, usual: 0.4 });
  const go = button('Walk', () => (walk.on ? walk.stop() : walk.start()), {
    title: 'W A S D, drag to look; Shift hurries, J jumps, the wheel zooms',
  });
  const pad = h('small', { class: 'note' });
  const fields = [eye, speed, step, jump];
  return {
    go,
    rows: [
      row('Eyes at', eye.element, labelled('speed', speed.element)),
      row('Step up', step.element, labelled('jump', jump.element)),
      row('Pad', pad),
    ],
    refresh() {
      fields.forEach((field) => field.refresh());
      go.textContent = walk.on ? 'Stop walking' : 'Walk from the camera';
      go.setAttribute('aria-pressed', String(walk.on));
      const found = [...(navigator.getGamepads?.() ?? [])].find((each) => each?.connected);
      pad.textContent = found
        ? found.id
        : 'No game pad; one that is plugged in is found once a button on it is pressed';
    },
  };
}

/** The tracker. @param {any} panel */
export function trackerRows(panel) {
  const { tracker } = panel.operation;
  const plain = (name, label, of, options) =>
    panel.number({
      label,
      quantity: 'plain',
      digits: 0,
      step: 1,
      get: () => of[name],
      set: (value, done) => done && ((of[name] = value), true),
      ...options,
    });
  const port = plain('port', 'Port on this machine', tracker, { unit: '' });
  const scale = panel.number({
    label: 'Metres in the shot for one of the tracker',
    quantity: 'plain',
    unit: '×',
    digits: 3,
    step: 0.1,
    usual: 1,
    get: () => tracker.scale,
    set: (value, done) => {
      if (!done) return true;
      tracker.scale = value;
      return tracker.attempt(() => tracker.place()).then(() => true);
    },
  });
  const listen = button('Listen', () => tracker.attempt(() => (tracker.on ? tracker.close() : tracker.listen())));
  const here = button('Begin at the camera', () => place(tracker, 'camera'), {
    title: 'Where the tracker is now is where the camera is at the playhead; both stay upright',
  });
  const stage = button('As it comes', () => place(tracker, 'stage'), {
    title: "The middle of the tracker's stage is the middle of the shot",
  });
  const standIn = standInPart(panel, plain);
  const facts = factsPart(tracker);
  return {
    go: listen,
    rows: [
      row('Port', port.element, labelled('scale', scale.element)),
      row('Stage', h('span', { class: 'buttons' }, here, stage)),
      facts.element,
      ...standIn.rows,
    ],
    refresh() {
      port.refresh();
      scale.refresh();
      listen.textContent = tracker.on ? 'Listen no more' : 'Listen';
      listen.setAttribute('aria-pressed', String(tracker.on));
      here.setAttribute('aria-pressed', String(tracker.begins === 'camera'));
      stage.setAttribute('aria-pressed', String(tracker.begins === 'stage'));
      facts.refresh();
      standIn.refresh();
    },
  };
}

function place(tracker, begins) {
  tracker.begins = begins;
  tracker.dispatchEvent(new Event('change'));
  return tracker.attempt(() => tracker.place());
}

/** What came from the tracker. */
function factsPart(tracker) {
  const told = {
    came: fact('Came', 'Datagrams since it is listened to, or of the take'),
    late: fact('Late', 'Behind later ones'),
    damaged: fact('Damaged', 'Could not be read'),
    missing: fact('Missing', 'Of the take that is rolled'),
  };
  const element = h('div', { class: 'facts' }, ...Object.values(told).map((each) => each.element));
  return {
    element,
    refresh() {
      for (const [name, each] of Object.entries(told)) each.show(String(tracker.state.told?.[name] ?? '–'));
    },
  };
}

/** The stand-in that sends to the port, with the trouble that networks make. */
function standInPart(panel, plain) {
  const { tracker } = panel.operation;
  const percent = (name, label) => plain(name, label, tracker.trouble, { unit: '%' });
  const [loss, reorder, damage] = [
    percent('loss', 'Samples that never arrive'),
    percent('reorder', 'Samples that arrive late'),
    percent('damage', 'Samples that are damaged'),
  ];
  const jitter = plain('jitter', 'Late at most', tracker.trouble, { unit: 'ms' });
  const start = () => tracker.attempt(() => (tracker.state.standIn ? tracker.stopStandIn() : tracker.startStandIn()));
  const send = button('Start', start, { title: 'A simulated hand that walks about a stage of two metres' });
  const fields = [loss, reorder, damage, jitter];
  return {
    rows: [
      row('Stand-in', labelled('loss', loss.element), labelled('order', reorder.element)),
      row('', labelled('damage', damage.element), labelled('jitter', jitter.element), send),
    ],
    refresh() {
      fields.forEach((field) => field.refresh());
      send.disabled = !tracker.on;
      send.textContent = tracker.state.standIn ? 'Stop it' : 'Start it';
    },
  };
}
