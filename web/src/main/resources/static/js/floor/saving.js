// What the header says of storage, and who else is here.

const SHOWS_AFTER_MS = 150;
const AGAIN_MS = 5000;
const JUST_NOW_S = 4;
const IN_SECONDS_S = 90;

function ago(at) {
  const seconds = Math.round((Date.now() - at) / 1000);
  if (seconds < JUST_NOW_S) return 'saved';
  return seconds < IN_SECONDS_S ? `saved ${seconds} s ago` : `saved ${Math.round(seconds / 60)} min ago`;
}

/** @param element says it; its data names the production */
export function connectSaving(store, element, people) {
  let timer = 0;
  const show = () => {
    const { state, text: trouble, at } = store.saving;
    const says = { saving: 'saving', saved: store.apart || ago(at), trouble }[state];
    const text = `${says} · revision ${store.revision} · ${element.dataset.production}`;
    element.textContent = text;
    element.title = text;
    element.classList.toggle('trouble', state === 'trouble' || store.apart !== '');
  };
  store.addEventListener('shot', show);
  store.addEventListener('saving', () => {
    clearTimeout(timer);
    // it is only said that it saves where that takes long enough to be read
    if (store.saving.state === 'saving') timer = setTimeout(show, SHOWS_AFTER_MS);
    else show();
  });
  store.addEventListener('people', (event) => {
    const others = event.detail.windows - 1;
    people.textContent = others > 0 ? `you + ${others}` : 'you';
  });
  setInterval(show, AGAIN_MS);
  return show;
}
