// Several pictures at once, to choose between: that of the program, where there is one, and of up to three cameras.
import { button, h } from '../common/dom.js';
import { cameraAt } from '../shot/program.js';

const MOST_CAMERAS = 3;
const ROWS = 2;
const AIR = 1; // between the pictures

export class Several {
  /**
   * @param {import('./picture.js').Picture} picture draws each of them
   * @param {HTMLElement} place where their names stand over them
   */
  constructor(picture, place) {
    this.picture = picture;
    this.place = place;
    this.on = false;
  }

  /** Shows several pictures, or the one. */
  toggle(on = !this.on) {
    this.on = on;
    this.picture.ask();
    this.picture.desk.announce('layout');
  }

  /** Whether several are shown now; beside the Floor there is no room for them. */
  get isShown() {
    return this.on && this.picture.desk.view === 'floor';
  }

  /** What is shown: the program first. @returns {{camera: string, name: string, program?: boolean}[]} */
  cells() {
    const { store, desk } = this.picture;
    const all = store.cameras();
    const first = all.slice(0, MOST_CAMERAS);
    const chosen = all.find(({ id }) => id === desk.camera);
    if (chosen && !first.includes(chosen)) first[MOST_CAMERAS - 1] = chosen;
    const cameras = first.map(({ id, name }) => ({ camera: id, name }));
    const seen = store.program.length ? cameraAt(store.program, desk.frame) : null;
    const name = seen && store.byId.get(seen)?.name;
    return name ? [{ camera: seen, name: `Program · ${name}`, program: true }, ...cameras] : cameras;
  }

  draw(state, fine) {
    const cells = this.cells();
    const { renderer, size } = this.picture;
    renderer.setScissorTest(true);
    renderer.setScissor(0, 0, size.w, size.h);
    renderer.setClearColor('#232628');
    renderer.clear();
    const [w, high] = [Math.floor(size.w / ROWS), Math.floor(size.h / ROWS)];
    cells.forEach(({ camera }, i) => {
      const [x, y] = [(i % ROWS) * w, (ROWS - 1 - Math.floor(i / ROWS)) * high];
      this.picture.drawCamera(camera, state, { fine, box: [x + AIR, y + AIR, w - 2 * AIR, high - 2 * AIR] });
    });
    renderer.setScissorTest(false);
    this.names(cells);
  }

  /** A name over each; a press shows that one alone, and cuts are made from here too. */
  names(cells) {
    const made = JSON.stringify([cells, this.picture.desk.camera]);
    if (made === this.made) return;
    this.made = made;
    this.place.replaceChildren(...cells.map((cell) => this.cell(cell)));
  }

  cell({ camera, name, program }) {
    const { desk } = this.picture;
    const show = () => {
      this.toggle(false);
      if (program) desk.cutting.showProgram();
      else desk.showCamera(camera);
    };
    const alone = button(name, show, { title: `${name} alone` });
    const cut = button('Cut to it', () => desk.cutting.cutTo(camera), { title: `Cut to ${name} at the playhead` });
    return h('span', { class: program ? 'cell in-program' : 'cell' }, alone, program ? '' : cut);
  }
}
