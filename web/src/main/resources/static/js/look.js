// Paper, dim, or as the system has it. Not a module, so that a page is never first seen in the other look.
(() => {
  const KEPT = 'idle-lens look';
  const LOOKS = { system: 'Look: system', paper: 'Look: paper', dim: 'Look: dim' };
  const names = Object.keys(LOOKS);
  const now = () => (names.includes(localStorage.getItem(KEPT)) ? localStorage.getItem(KEPT) : 'system');

  const show = () => {
    document.documentElement.dataset.look = now();
    const buttons = document.querySelectorAll('[data-look-switch]');
    for (const button of buttons) button.textContent = LOOKS[now()];
  };

  const next = () => {
    localStorage.setItem(KEPT, names[(names.indexOf(now()) + 1) % names.length]);
    show();
  };

  show();
  document.addEventListener('DOMContentLoaded', () => {
    show();
    for (const button of document.querySelectorAll('[data-look-switch]')) button.addEventListener('click', next);
  });
  addEventListener('storage', show); // changed in another window
})();
