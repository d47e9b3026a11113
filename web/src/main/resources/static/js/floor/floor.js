// A shot's page, the Floor, Curves and Checks: puts its parts together.
import { h } from '../common/dom.js';
import { keepLoggedIn } from '../common/log-in.js';
import { ChecksView } from '../checks/checks-view.js';
import { CurvesView } from '../curves/curves-view.js';
import { LensBench } from '../lens/lens-bench.js';
import { Settings } from '../panels/settings.js';
import { Plan } from '../plan/plan.js';
import { TAKES } from '../plan/takes.js';
import { Desk } from '../shot/desk.js';
import { loadParts } from '../shot/parts.js';
import { listenToOthers } from '../shot/others.js';
import { Playback } from '../shot/playback.js';
import { ShotStore } from '../shot/shot-store.js';
import { actionsOf, connectButtons } from './actions.js';
import { Chain } from './chain.js';
import { connectBlurChoice } from '../picture/blur-choice.js';
import { keepFirstPicture } from '../picture/first-picture.js';
import { FOCUS_KINDS } from './focus-kinds.js';
import { fillShortcuts, listenToKeys } from './keyboard.js';
import { LinkedRulers } from './linked-rulers.js';
import { connectNotice } from './notice.js';
import { Hands } from '../operate/hands.js';
import { Operate } from '../operate/operate.js';
import { connectOperatingSays } from '../operate/operating-says.js';
import { Roll } from '../operate/roll.js';
import { LiveOut } from '../operate/live-out.js';
import { TrackerLink } from '../operate/tracker-link.js';
import { Walk } from '../operate/walk.js';
import { turnOf } from '../shot/seen.js';
import { Picture } from '../picture/picture.js';
import { connectSaving } from './saving.js';
import { Score } from './score.js';
import { SetList } from './set-list.js';
import { SHORTCUTS } from './shortcuts.js';
import { connectStrip } from './strip.js';
import { connectTransport } from './transport.js';
import { connectViews } from './views.js';

const LOAD_AGAIN_MS = 1500;
const $ = (id) => document.getElementById(id);
const floor = $('floor');

/** Asks until the server answers; meanwhile the header says why it waits. */
async function patiently(load) {
  for (;;) {
    try {
      return await load();
    } catch (problem) {
      $('saved').textContent = problem.message;
      $('saved').classList.add('trouble');
      if (!problem.retry) throw problem;
      await new Promise((resolve) => {
        setTimeout(resolve, LOAD_AGAIN_MS);
      });
    }
  }
}

function makePicture(store, desk) {
  try {
    return new Picture(store, desk, {
      view: $('view'),
      canvas: $('canvas'),
      guides: $('guide-lines'),
      marks: $('marks'),
      several: $('several-names'),
      loupe: $('loupe'),
    });
  } catch {
    const text = 'This browser has no WebGL, so there is no picture. Plan, score and numbers work.';
    $('view').append(h('p', { class: 'nothing', text }));
    return null;
  }
}

await patiently(loadParts);
const store = new ShotStore(floor.dataset.shot);
const desk = new Desk(store, floor.dataset.productionId);
const playback = new Playback(desk);
const list = new SetList(store, desk, { list: $('nodes'), add: $('add'), search: $('search') });
const plan = new Plan(store, desk, { svg: $('plan'), canvas: $('outside') });
const hands = new Hands($('view'), () => turnOf(store.lens(desk.camera, desk.frame)));
const walk = new Walk(store, desk, hands);
const tracker = new TrackerLink(store, desk);
const roll = new Roll(store, desk, desk.takes, { walk, tracker });
const liveOut = new LiveOut(store, desk, playback);
desk.operation = { walk, tracker, roll, liveOut };
roll.addEventListener('change', () => roll.state !== 'off' && playback.playing && playback.stop());
const operate = new Operate(store, desk, { view: $('view'), canvas: $('canvas'), walk });
connectOperatingSays(desk.operation, desk, { says: $('operating-says'), count: $('count-in') });
const chain = new Chain(store, desk, $('chain'));
const score = new Score(store, desk, { svg: $('score'), rows: $('rows') });
const curves = new CurvesView(store, desk, { element: $('curves'), list: $('channels') });
new LinkedRulers(desk, curves.graph, score);
const settings = new Settings(store, desk, $('settings'));
const picture = makePicture(store, desk);
if (picture) connectBlurChoice(picture, $('blur-choice'));
const checks = new ChecksView(store, desk, { element: $('checks'), score, picture });
const lensBench = new LensBench(store, desk, $('lens-bench'));
const showSaved = connectSaving(store, $('saved'), $('people'));
connectStrip(store, desk);
connectNotice(store, desk);
connectTransport(store, desk, playback, score);
const views = connectViews(floor, desk, plan);
const page = { store, desk, playback, list, plan, operate, score, curves, picture, views };
const actions = actionsOf(page);
connectButtons(page, actions);
listenToKeys(actions, hands);
fillShortcuts($('shortcuts'));

await patiently(() => store.load());
desk.frame = store.header.in;
desk.announce('frame');
views.show(floor.dataset.view);
plan.fit();
picture?.layOut();
picture?.ask();
showSaved();
listenToOthers(store);
keepLoggedIn();
if (picture && floor.dataset.changes === 'true') keepFirstPicture(store, desk, picture, Number(floor.dataset.pictured));
floor.dataset.ready = 'true';
Object.assign(window, {
  idleLens: {
    store,
    desk,
    playback,
    plan,
    picture,
    chain,
    score,
    settings,
    curves,
    checks,
    lensBench,
    actions,
    SHORTCUTS,
    FOCUS_KINDS,
    TAKES,
  },
});
