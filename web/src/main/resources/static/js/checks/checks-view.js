// The Checks view: strips over the frames of the score, what was found with its remedies, and the seam as a picture.
import { drawSoon } from '../common/draw-soon.js';
import { h } from '../common/dom.js';
import { connectAskedBar } from './asked-bar.js';
import { CheckStore } from './check-store.js';
import { foundLines } from './found.js';
import { SeamPictures } from './seam-pictures.js';
import { Strips } from './strips.js';

export class ChecksView {
  /** @param element the section with strips and list */
  constructor(store, desk, { element, score, picture }) {
    this.checks = new CheckStore(store, desk);
    this.list = element.querySelector('.found');
    this.status = element.querySelector('.status');
    this.strips = new Strips(this.checks, score, {
      svg: element.querySelector('svg'),
      names: element.querySelector('.names'),
    });
    connectAskedBar(this.checks, element.querySelector('.strip'));
    this.pictures = new SeamPictures(this.checks, picture, element.querySelector('.seam-pictures'));
    const draw = () => this.ask();
    this.checks.addEventListener('found', draw);
    store.addEventListener('motion', draw);
    desk.addEventListener('layout', draw);
  }

  ask() {
    if (this.asked || !this.checks.isOpen) return;
    this.asked = true;
    drawSoon(this.list, () => {
      this.asked = false;
      this.draw();
    });
  }

  draw() {
    const { desk, found, trouble, waiting } = this.checks;
    this.status.textContent = this.says(desk, found, trouble, waiting);
    this.list.classList.toggle('stale', waiting);
    if (found && !waiting && !trouble) this.list.replaceChildren(...foundLines(this.checks));
    else if (!found) this.list.replaceChildren(...this.nothing(desk));
  }

  says(desk, found, trouble, waiting) {
    if (!desk.camera) return '';
    if (trouble) return trouble;
    return waiting ? 'checking …' : '';
  }

  nothing(desk) {
    if (desk.camera) return [];
    return [h('li', { text: 'Checks are of a camera. Add one, and it is looked over here.' })];
  }
}
