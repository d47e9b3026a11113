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
      set: (value, done) => {
        if (done) walk.setBody({ [name]: value });
        return true;
      },
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
      const none = 'No game pad; one that is plugged in is found once a button on it is pressed';
      pad.textContent = walk.hands.pad?.id ?? none;
    },
  };
}

/** The tracker. @param {any} panel */
export function trackerRows(panel) {
  const { tracker } = panel.operation;
  const toggle = () => tracker.attempt(() => (tracker.on ? tracker.close() : tracker.listen()));
  const go = button('Listen', toggle);
  const parts = [portPart(panel), stagePart(tracker), factsPart(tracker), standInPart(panel), sendPart(panel)];
  return {
    go,
    rows: parts.flatMap((part) => part.rows),
    refresh() {
      go.textContent = tracker.on ? 'Listen no more' : 'Listen';
      go.setAttribute('aria-pressed', String(tracker.on));
      parts.forEach((part) => part.refresh());
    },
  };
}

/** A number without a quantity, of an object that holds it. */
function plain(panel, of, name, label, options) {
  return panel.number({
    label,
    quantity: 'plain',
    digits: 0,
    step: 1,
    get: () => of[name],
    set: (value, done) => {
      if (done) of[name] = value;
      return true;
    },
    ...options,
  });
}

/** Where it is heard, and how large its stage is in the shot. */
function portPart(panel) {
  const { tracker } = panel.operation;
  const port = plain(panel, tracker, 'port', 'Port on this machine', { unit: '' });
  const scale = plain(panel, tracker, 'scale', 'Metres in the shot for one of the tracker', {
    unit: '×',
    digits: 3,
    step: 0.1,
    usual: 1,
    set: (value, done) => {
      if (!done) return true;
      tracker.scale = value;
      return tracker.attempt(() => tracker.place()).then(() => true);
    },
  });
  return {
    rows: [row('Port', port.element, labelled('scale', scale.element))],
    refresh: () => [port, scale].forEach((field) => field.refresh()),
  };
}

/** The camera of the shot, sent the other way. */
function sendPart(panel) {
  const { liveOut } = panel.operation;
  const go = button('Send', () => liveOut.toggle());
  const address = h('input', {
    type: 'text',
    value: liveOut.address,
    'aria-label': 'Address of this machine to send to',
    title: 'An address of this machine: 127.0.0.1, or another that begins with 127',
    onchange: () => liveOut.settle('address', address.value.trim()),
  });
  const settled = (name) => ({ set: (value, done) => !done || liveOut.settle(name, value).then(() => true) });
  const port = plain(panel, liveOut, 'port', 'Port to send to', { unit: '', ...settled('port') });
  const rate = plain(panel, liveOut, 'rate', 'Samples a second while it plays', { unit: '/s', ...settled('rate') });
  liveOut.addEventListener('change', () => refresh());
  function refresh() {
    [port, rate].forEach((field) => field.refresh());
    go.textContent = liveOut.on ? 'Send no more' : 'Send the playhead';
    go.setAttribute('aria-pressed', String(liveOut.on));
    go.title = `OpenTrackIO over UDP to ${liveOut.address}, while playing or scrubbing`;
  }
  return {
    rows: [row('Live out', go), row('To', address, labelled('port', port.element), labelled('at', rate.element))],
    refresh,
  };
}

/** How its stage lies in the shot. */
function stagePart(tracker) {
  const here = button('Begin at the camera', () => place(tracker, 'camera'), {
    title: 'Where the tracker is now is where the camera is at the playhead; both stay upright',
  });
  const stage = button('As it comes', () => place(tracker, 'stage'), {
    title: "The middle of the tracker's stage is the middle of the shot",
  });
  return {
    rows: [row('Stage', h('span', { class: 'buttons' }, here, stage))],
    refresh() {
      here.setAttribute('aria-pressed', String(tracker.begins === 'camera'));
      stage.setAttribute('aria-pressed', String(tracker.begins === 'stage'));
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
    rows: [element],
    refresh() {
      for (const [name, each] of Object.entries(told)) each.show(String(tracker.state.told?.[name] ?? '–'));
    },
  };
}

/** The stand-in that sends to the port, with the trouble that networks make. */
function standInPart(panel) {
  const { tracker } = panel.operation;
  const number = (name, label, unit) => plain(panel, tracker.trouble, name, label, { unit });
  const loss = number('loss', 'Samples that never arrive', '%');
  const reorder = number('reorder', 'Samples that arrive late', '%');
  const damage = number('damage', 'Samples that are damaged', '%');
  const jitter = number('jitter', 'Late at most', 'ms');
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
