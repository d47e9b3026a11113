// What is done to the program, and who is in the picture: the program, or one camera.
import { getJson, Problem } from '../common/api.js';
import { cameraAt, cutIndexAt } from './program.js';

/** Frames over which a camera that is turned to match comes back to its own way. */
const MATCHED_OVER = 12;

export class CutWork {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    this.follows = false; // whether the picture shows the program
  }

  get cuts() {
    return this.store.program;
  }

  /** Shows the program from now on; without one, nothing changes. */
  showProgram() {
    if (!this.cuts.length) return;
    this.follows = true;
    this.take();
    this.desk.announce('selection');
  }

  /** The picture shows what the program has at the playhead. */
  take() {
    const camera = this.follows && cameraAt(this.cuts, this.desk.frame);
    if (camera && this.store.byId.has(camera)) this.desk.putInPicture(camera);
    else if (this.follows && !camera) this.follows = false;
  }

  /** Cuts to a camera at the playhead; the first cut of all says also what is seen before it. */
  cutTo(camera, dissolve = 0) {
    const { desk, cuts } = this;
    const { frame } = desk;
    const edits = [{ edit: 'cut-to', frame, camera, dissolve }];
    const first = desk.first();
    if (!cuts.length && frame > first && desk.camera !== camera)
      edits.unshift({ edit: 'cut-to', frame: first, camera: desk.camera, dissolve: 0 });
    return this.store.edit(edits);
  }

  /** The cut from which on is seen what is seen at the playhead. */
  get now() {
    return this.cuts[cutIndexAt(this.cuts, this.desk.frame)] ?? null;
  }

  slide(frame, to, ripple, done) {
    const edits = [{ edit: 'move-cut', frame, to, ripple }];
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return Promise.resolve(true);
  }

  dissolve({ frame, camera }, frames) {
    return this.store.edit([{ edit: 'cut-to', frame, camera, dissolve: frames }]);
  }

  swap({ frame }) {
    return this.store.edit([{ edit: 'swap-cut', frame }]);
  }

  /** How the picture moves on both sides of a cut; null where the server cannot say. */
  async match(frame) {
    const query = new URLSearchParams({ frame: String(frame) });
    try {
      return await getJson(this.store.path(`/cut-match?${query}`));
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      return null;
    }
  }

  /**
   * Has one side of a cut pass as the other.
   *
   * @param {{frame: number}} cut
   * @param {'before' | 'after'} side which camera is turned
   */
  matchSide(cut, side) {
    const { frame } = cut;
    return this.store.edit([{ edit: 'match-cut', frame, side, frames: MATCHED_OVER }]);
  }

  remove({ frame }) {
    return this.store.edit([{ edit: 'remove-cut', frame }]);
  }
}
