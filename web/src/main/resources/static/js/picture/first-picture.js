// The first picture of the shot through its lens, for its card: made and sent once the hands rest.
import { Problem, putPicture } from '../common/api.js';

const AFTER_MS = 2500;
const WIDTH_PX = 480;
const QUALITY = 0.82;

/** @param {number} known the revision of the picture that the server has; 0 for none */
export function keepFirstPicture(store, desk, picture, known) {
  let sent = known;
  let timer = 0;

  async function send() {
    if (store.revision === sent || store.before || store.ghosts.length || document.hidden) return;
    const { revision } = store;
    const canvas = picture.shot(desk.first(), WIDTH_PX);
    if (!canvas) return;
    sent = revision;
    const blob = await new Promise((resolve) => {
      canvas.toBlob(resolve, 'image/jpeg', QUALITY);
    });
    await putPicture(store.path(`/picture?revision=${revision}`), blob).catch((problem) => {
      if (!(problem instanceof Problem)) throw problem; // a card without its newest picture is no trouble
    });
  }

  const later = () => {
    clearTimeout(timer);
    timer = setTimeout(send, AFTER_MS);
  };
  for (const name of ['shot', 'motion']) store.addEventListener(name, later);
  desk.addEventListener('frame', later);
  later();
}
