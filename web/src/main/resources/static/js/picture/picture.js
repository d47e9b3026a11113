// The picture: the set through the lens, drawn from what the server computed.
import { drawSoon } from '../common/draw-soon.js';
import { isHeld } from '../common/reach.js';
import { fadeAt } from '../shot/program.js';
import { lensIn, poseIn } from '../shot/samples.js';
import { seenBy } from '../shot/seen.js';
import { Exposing } from './exposing.js';
import { guideParts, leanOf } from './guides.js';
import { Loupe } from './loupe.js';
import { drawMarks } from './picture-marks.js';
import { SetView } from './set-view.js';
import { Several } from './several.js';

const SLOW_MS = 25;
const REST_MS = 260;
const COARSEST = 0.4;
const COARSEST_IN_SOFTWARE = 0.25;
const SOFTWARE_LAG = 2; // frames
const FINE = 2; // more points than the screen has, against jagged edges
const FINE_IN_SOFTWARE = 1.5;

/** Draws when something changed; lowers its resolution before its rate. */
export class Picture {
  constructor(store, desk, { view, canvas, guides, marks, several, loupe }) {
    this.store = store;
    this.desk = desk;
    this.view = view;
    this.canvas = canvas;
    this.guides = guides;
    this.marks = marks;
    this.scale = 1; // of the resolution while something moves
    this.drawnScale = 1;
    this.abort = new AbortController();
    this.set = new SetView(store, canvas);
    this.renderer = this.set.renderer;
    this.software = this.set.software;
    this.coarsest = this.software ? COARSEST_IN_SOFTWARE : COARSEST;
    if (this.software) this.scale = COARSEST;
    this.exposing = new Exposing(store, desk, this.set);
    this.several = new Several(this, several);
    this.loupe = new Loupe(this, loupe);
    this.listen();
  }

  listen() {
    const { signal } = this.abort;
    const draw = () => this.ask();
    this.store.addEventListener('shot', () => this.syncPieces(), { signal });
    this.store.addEventListener('meshes', () => this.syncPieces(), { signal });
    this.store.addEventListener(
      'motion',
      () => {
        this.set.shadowsStale = true;
        this.set.air.sync();
        draw();
      },
      { signal },
    );
    this.store.addEventListener('ghost', draw, { signal });
    this.store.addEventListener('pictures', draw, { signal });
    this.desk.addEventListener('frame', draw, { signal });
    this.desk.addEventListener('live', draw, { signal });
    this.desk.addEventListener('selection', draw, { signal });
    this.desk.addEventListener('layout', draw, { signal });
    this.view.addEventListener('click', (event) => this.pickAt(event), { signal });
    this.observer = new ResizeObserver(() => {
      this.layOut();
      draw();
    });
    this.observer.observe(this.view);
  }

  syncPieces() {
    this.set.sync();
    this.ask();
  }

  /** Fits the canvas into its place at the picture's aspect. */
  layOut() {
    if (!this.store.header) return;
    const { aspect } = this.store.header;
    const width = this.view.clientWidth - 6;
    const height = this.view.clientHeight - 4;
    const w = Math.max(10, Math.floor(Math.min(width, height * aspect)));
    const h = Math.max(10, Math.floor(w / aspect));
    const left = `${Math.floor((this.view.clientWidth - w) / 2)}px`;
    const top = `${Math.floor((this.view.clientHeight - h) / 2)}px`;
    for (const element of [this.canvas, this.guides, this.marks, this.several.place, this.loupe.place]) {
      element.style.left = left;
      element.style.top = top;
      element.style.width = `${w}px`;
      element.style.height = `${h}px`;
    }
    this.view.style.setProperty('--picture-height', `${h}px`);
    for (const over of [this.guides, this.marks]) over.setAttribute('viewBox', `0 0 ${w} ${h}`);
    this.size = { w, h };
    this.resize(this.scale);
  }

  resize(scale) {
    this.drawnScale = scale;
    this.renderer.setPixelRatio(scale * Math.min(devicePixelRatio, 2));
    this.renderer.setSize(this.size.w, this.size.h, false);
  }

  /** Asks for a drawing in the next animation frame, and for a fine one once all is at rest. */
  ask() {
    if (this.asked || !this.store.header) return;
    this.asked = true;
    this.exposing.stop();
    clearTimeout(this.resting);
    const drawn = (now) => {
      this.asked = false;
      if (this.size && this.drawnScale !== this.scale) this.resize(this.scale);
      this.draw();
      this.loupe.stop();
      requestAnimationFrame((next) => this.adapt(next - now));
      this.resting = setTimeout(() => this.rest(), REST_MS);
    };
    drawSoon(this.view, drawn, this.software ? SOFTWARE_LAG : 1);
  }

  /** Nothing moves any more: draws finely, once. */
  rest() {
    if (isHeld()) {
      this.resting = setTimeout(() => this.rest(), REST_MS); // a hand may go on at any moment
      return;
    }
    if (this.asked) return;
    const refines = !this.several.isShown && this.exposing.canRefine() && this.canvas.hidden === false;
    const scale = this.software ? (refines ? 1 : FINE_IN_SOFTWARE) : FINE;
    if (this.drawnScale !== scale || this.set.shadowsStale) {
      if (this.drawnScale !== scale) this.resize(scale);
      this.draw(true);
    }
    if (refines) this.exposing.refine(this.seen());
    this.loupe.refine();
  }

  /** @param {{mode?: string, passes?: number}} to how focus and shutter are shown */
  setBlur(to) {
    this.exposing.setTo(to);
    this.ask();
  }

  /** The camera in the picture, or two while one fades in over the other in the program. */
  seen() {
    const { camera, frame, cutting } = this.desk;
    const fade = cutting.follows && fadeAt(this.store.program, frame);
    if (!fade) return [{ camera, share: 1 }];
    return [
      { camera: fade.from, share: 1 - fade.share },
      { camera, share: fade.share },
    ];
  }

  /** @param fine whether there is time for shadows even where they are slow */
  draw(fine = false) {
    const { store, desk } = this;
    const now = this.now();
    const seen = desk.camera && look(now, desk.camera, desk.frame);
    this.canvas.hidden = !seen;
    if (!seen) return;
    if (!this.size || Math.abs(this.size.w / this.size.h - store.header.aspect) > 0.02) this.layOut();
    const [first, second] = this.store.ghosts;
    const was = first && look(first, desk.camera, desk.frame);
    this.renderer.setScissorTest(Boolean(was));
    this.guides.style.visibility = was || this.several.isShown ? 'hidden' : '';
    this.several.place.hidden = !this.several.isShown;
    if (this.several.isShown) {
      this.marks.replaceChildren();
      this.several.draw(now, fine);
      return;
    }
    if (!was) {
      this.drawSeen(now, fine);
      this.drawGuides(seen.pose);
      drawMarks(this, this.marks);
      return;
    }
    this.marks.replaceChildren();
    const { w, h } = this.size;
    const half = Math.floor(w / 2);
    const tall = Math.floor(half / store.header.aspect);
    const box = (x) => [x, Math.floor((h - tall) / 2), half - 1, tall];
    this.renderer.setScissor(0, 0, w, h);
    this.renderer.setClearColor('#232628');
    this.renderer.clear();
    this.drawLook(was, first, { fine, box: box(0) });
    const other = second && look(second, desk.camera, desk.frame);
    this.drawLook(other ?? seen, second ?? now, { fine, box: box(half + 1) });
    this.set.shadowsStale = true; // the next picture alone has its own
  }

  drawGuides(pose) {
    const { w, h } = this.size;
    const { picture, header } = this.store;
    const at = { w, h, aspect: header.aspect, lean: leanOf(pose) };
    this.guides.replaceChildren(...guideParts(picture, at));
  }

  /** The picture of the playhead: one camera, or two while one fades in, with the blur that is wanted. */
  drawSeen(state, fine) {
    this.exposing.draw(this.looks(state), { fine, height: this.aim([0, 0, this.size.w, this.size.h]) });
  }

  /** What the cameras in the picture see at the playhead, and how much of it they have. */
  looks(state = this.now()) {
    const { frame } = this.desk;
    return this.seen().map(({ camera, share }) => {
      const { pose, lens } = look(state, camera, frame);
      return { view: { pose, seen: seenBy(lens), state, frame, camera }, lens, camera, share };
    });
  }

  /** The shot as it is now. */
  now() {
    const { motion, grid, byId, live } = this.store;
    return { motion, grid, byId, live };
  }

  /** The picture of another camera in a box, sharp and still. */
  drawCamera(camera, state, how) {
    const { frame } = this.desk;
    const seen = look(state, camera, frame);
    if (seen) this.drawLook(seen, state, { ...how, frame, camera });
  }

  /** One picture, sharp and still: the set as it is in a state, seen by its camera, in a box or all over. */
  drawLook({ pose, lens }, state, { fine, box = [0, 0, this.size.w, this.size.h], ...of }) {
    const { frame, camera } = this.desk;
    const nodes = { byId: this.store.byId, ...state }; // what is compared with has motion of its own, and no more
    const view = { pose, seen: seenBy(lens), state: nodes, frame, camera, ...of };
    this.set.draw(view, { fine, height: this.aim(box), besides: true });
  }

  /** Says where on the canvas is drawn; gives the height of that in points. @param {number[]} box */
  aim([x, y, width, height]) {
    this.renderer.setViewport(x, y, width, height);
    this.renderer.setScissor(x, y, width, height);
    return height * this.renderer.getPixelRatio();
  }

  /** Lowers the resolution where drawings come too slowly, raises it again where there is time. */
  adapt(took) {
    if (took > 1000) return; // the window was not shown
    this.pace = this.pace === undefined ? took : this.pace * 0.7 + took * 0.3;
    if (this.pace > SLOW_MS && this.scale > this.coarsest) {
      this.scale = Math.max(this.coarsest, this.scale * 0.8);
      this.pace = undefined;
    } else if (this.pace < SLOW_MS * 0.6 && this.scale < 1 && !this.software) {
      this.scale = Math.min(1, this.scale * 1.1);
      this.pace = undefined;
    }
  }

  /**
   * The picture of the camera shown at a frame, as a canvas so many pixels wide; what is on screen is drawn again
   * before it could be seen otherwise. Null where there is no camera.
   */
  shot(frame, width) {
    const { store, desk } = this;
    const now = { motion: store.motion, grid: store.grid, byId: store.byId };
    const seen = this.size && desk.camera && look(now, desk.camera, frame);
    if (!seen) return null;
    const small = document.createElement('canvas');
    small.width = width;
    small.height = Math.round(width / store.header.aspect);
    this.drawLook(seen, now, { fine: true, frame });
    small.getContext('2d', { willReadFrequently: true }).drawImage(this.canvas, 0, 0, small.width, small.height);
    this.set.shadowsStale = true;
    if (!this.exposing.showAgain()) this.draw(true);
    return small;
  }

  /** Pixels on the canvas of a place in the world as it was last drawn, or null where it is not in the picture. */
  project(place) {
    const at = this.set.project(place);
    return at && [at[0] * this.size.w, at[1] * this.size.h];
  }

  /** Where in the picture the pointer is, in parts from its upper left. */
  placeOf(event) {
    const box = this.canvas.getBoundingClientRect();
    return [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
  }

  /** The piece under the pointer, or null. */
  pieceAt(event) {
    return this.set.pieceAt(...this.placeOf(event));
  }

  /** While a node is to be picked, a click in the picture picks what is seen there; or says where a subject sits. */
  pickAt(event) {
    if (!this.desk.picking) {
      this.frameAt(event);
      return;
    }
    const { takePlace } = this.desk.picking;
    if (takePlace) {
      const [x, y] = this.placeOf(event);
      if (x < 0 || x > 1 || y < 0 || y > 1) return;
      this.desk.stopPicking();
      takePlace(x, y);
      return;
    }
    const id = this.pieceAt(event);
    if (id) this.desk.select(id);
  }

  /** While something is framed up, a click says where in the picture it is to sit. */
  frameAt(event) {
    const [x, y] = this.placeOf(event);
    if (this.desk.tab === 'frame' && x >= 0 && x <= 1 && y >= 0 && y <= 1) this.desk.framing.placeAt(x, y);
  }

  setGuides(on) {
    this.guides.style.display = on ? '' : 'none';
  }

  dispose() {
    this.abort.abort();
    this.observer.disconnect();
    this.loupe.dispose();
    this.exposing.dispose();
    this.set.dispose();
  }
}

/** What a camera of a state does at a frame, or null. */
function look(state, id, frame) {
  const pose = poseIn(state, id, frame);
  const lens = lensIn(state, id, frame);
  return pose && lens ? { pose, lens } : null;
}
