// What the artist can do by a key or a button of the page.
import { getJson } from '../common/api.js';
import { toast } from '../common/toasts.js';
import { POSE } from '../shot/parts.js';
import { sayProblem } from '../shot/say-problem.js';

const $ = (id) => document.getElementById(id);

/** Shows the version compared with last, or the latest kept one, beside this state; or none. */
async function toggleGhost({ store, desk }) {
  if (store.ghosts.length) {
    desk.lastCompared = store.ghosts;
    await store.compare([]);
    return;
  }
  desk.lastCompared ??= (await getJson(store.path('/versions'))).slice(0, 1);
  if (desk.lastCompared.length) await store.compare(desk.lastCompared);
  else {
    const toHistory = { action: 'History', onAction: () => desk.showTab('history') };
    toast('There is no version yet: keep one under History', toHistory);
  }
}

function letGo({ desk }) {
  const { walk, roll } = desk.operation;
  if (roll.state === 'counting') roll.cancel();
  else if (roll.state === 'rolling') roll.cut();
  else if (desk.rails.drawing) {
    desk.rails.drawing.points = [];
    desk.rails.end();
  } else if (desk.picking) desk.stopPicking();
  else if (desk.tried.now) desk.tried.letBe();
  else if (desk.loose) desk.letGoOfLoose();
  else if (walk.on) walk.stop();
  else desk.chooseKeys(null);
}

/** Keys the pose: of who walks, where somebody does. */
function keyPose({ desk }) {
  if (desk.rails.drawing) return desk.rails.end();
  const { walk, roll } = desk.operation;
  return walk.on && roll.state === 'off' && !desk.loose ? standHere(desk, walk) : desk.keyPose();
}

/** The camera stands from now on where it is walked to. */
async function standHere(desk, walk) {
  const node = desk.store.byId.get(walk.camera);
  const { x, y, z, pan, tilt, roll } = desk.live.pose;
  const { frame } = desk;
  const make = (keying) => ({ edit: 'pose-in-world', id: node.id, frame, x, y, z, pan, tilt, roll, keying });
  if (!(await desk.change(node, POSE, make, { done: true }))) return;
  if (desk.loose) await desk.keepLoose();
  walk.stop();
}

/** With a loose pose, only that is taken back. */
function undo({ store, desk }) {
  if (desk.tried.now) desk.tried.letBe();
  else if (desk.loose) desk.letGoOfLoose();
  else store.undo();
}

function redo({ store, desk }) {
  if (desk.loose) desk.leaveLoose();
  store.redo();
}

function centre({ desk, curves, plan }) {
  if (desk.view === 'curves') curves.graph.fit(!desk.chosen.isEmpty);
  plan.centreOnSelection();
}

/** A new null is named at once. */
async function nullAbove({ store, desk, list }) {
  const id = await desk.nodes.addAbove();
  if (id) list.rename(store.byId.get(id));
}

/** @param page store, desk and all views */
export function actionsOf(page) {
  const { store, desk, list, playback, operate, score, views } = page;
  return {
    play: () => (desk.operation.roll.state === 'rolling' ? desk.operation.roll.cut() : playback.toggle()),
    step: (by) => {
      playback.stop();
      desk.goTo(desk.frame + by);
    },
    keyBefore: () => desk.work.previousKey(),
    keyAfter: () => desk.work.nextKey(),
    keyPose: () => keyPose(page),
    letGo: () => letGo(page),
    removeKeys: () => desk.work.removeKeys(),
    operate: () => operate.toggle(),
    roll: () => desk.operation.roll.toggle(),
    centre: () => centre(page),
    swapPlan: () => views.swapSide(),
    mark: () => desk.mark(),
    ghost: () => toggleGhost(page),
    zoomIn: () => score.zoomBy(1),
    zoomOut: () => score.zoomBy(-1),
    wholeShot: () => score.fit(),
    copy: () => desk.work.copyKeys(),
    paste: () => desk.work.pasteKeys(),
    program: () => desk.cutting.showProgram(),
    cutTo: (n) => {
      const camera = store.cameras()[n - 1];
      if (camera) desk.cutting.cutTo(camera.id);
    },
    camera: (n) => {
      const camera = store.cameras()[n - 1];
      if (camera) desk.showCamera(camera.id);
    },
    undo: () => undo(page),
    redo: () => redo(page),
    rename: () => list.rename(),
    nullAbove: () => nullAbove(page),
    chooseAll: () => desk.work.chooseAllKeys(),
    keyRig: () => desk.work.keyRig(),
    nudge: (frames, steps) => desk.work.nudgeKeys(frames, steps),
    help: () => /** @type {HTMLDialogElement} */ ($('shortcuts')).showModal(),
  };
}

function toggleSpeed({ plan }) {
  plan.layer.bySpeed = !plan.layer.bySpeed;
  $('speed').setAttribute('aria-pressed', String(plan.layer.bySpeed));
  plan.ask('all');
}

function toggleGuides({ picture }) {
  const on = $('guides').getAttribute('aria-pressed') !== 'true';
  $('guides').setAttribute('aria-pressed', String(on));
  picture?.setGuides(on);
}

function connectOperate({ desk, operate }) {
  const modes = /** @type {HTMLElement[]} */ ([...document.querySelectorAll('[data-mode]')]);
  for (const b of modes) b.addEventListener('click', () => operate.setMode(b.dataset.mode));
  const says = () => {
    const driven = operate.on && operate.driven();
    $('driven').textContent = driven ? `drives ${driven.name}` : '';
  };
  desk.addEventListener('selection', says);
  operate.addEventListener('change', () => {
    says();
    $('operate').setAttribute('aria-pressed', String(operate.on));
    $('operate-modes').hidden = !operate.on;
    for (const b of modes) b.setAttribute('aria-pressed', String(b.dataset.mode === operate.mode));
  });
}

/** Gives the buttons of the page their effect. */
export function connectButtons(page, actions) {
  const { store, desk, list } = page;
  const clicks = {
    undo: actions.undo,
    redo: actions.redo,
    play: actions.play,
    operate: actions.operate,
    centre: actions.centre,
    help: actions.help,
    mark: actions.mark,
    'step-back': () => actions.step(-1),
    'step-on': () => actions.step(1),
    'key-back': actions.keyBefore,
    'key-on': actions.keyAfter,
    record: () => desk.setRecord(!desk.record),
    rename: () => list.rename(),
    duplicate: () => list.duplicate(),
    remove: () => list.remove(),
    rig: () => desk.nodes.selectRig(),
    facts: () => desk.chooseCard('shot'),
    speed: () => toggleSpeed(page),
    guides: () => toggleGuides(page),
    several: () => page.picture?.several.toggle(),
  };
  for (const [id, todo] of Object.entries(clicks)) $(id).addEventListener('click', todo);
  $('keying').addEventListener('change', (event) =>
    desk.setKeying(/** @type {HTMLSelectElement} */ (event.target).value),
  );
  store.addEventListener('refused', (event) => toast(sayProblem(event.detail, store.nodes), { bad: true }));
  desk.addEventListener('layout', () => {
    $('several').setAttribute('aria-pressed', String(Boolean(page.picture?.several.on)));
  });
  connectOperate(page);
}
