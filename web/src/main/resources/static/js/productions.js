// The page of productions: new, duplicate, delete, bring in.
import { postJson, readQuantity, remove } from './common/api.js';
import { toast } from './common/toasts.js';

document.addEventListener('alpine:init', () => {
  window.Alpine.data('productions', () => ({
    name: '',
    rate: '24',
    first: '1001',
    length: '120f',
    handles: '8f',
    aspect: '1.7777777777777777',
    bringRate: '',
    bringFirst: '',
    trouble: '',
    production: null,

    open(dialog) {
      this.trouble = '';
      dialog.showModal();
    },
    close(event) {
      event.target.closest('dialog').close();
    },
    openProduction() {
      this.name = '';
      this.open(this.$refs.production);
    },
    openShot(event) {
      this.production = event.currentTarget.dataset.production;
      this.name = 'New shot';
      this.open(this.$refs.shot);
    },
    openImport(event) {
      this.production = event.currentTarget.dataset.production;
      this.open(this.$refs.bring);
    },

    async attempt(work) {
      this.trouble = '';
      try {
        await work();
      } catch (problem) {
        this.trouble = problem.message;
      }
    },
    addProduction() {
      return this.attempt(async () => {
        await postJson('/api/productions', { name: this.name });
        location.reload();
      });
    },
    addShot() {
      return this.attempt(async () => {
        const frames = async (text) => Math.round(await readQuantity(text, 'frames', this.rate));
        const first = await frames(this.first);
        const length = await frames(this.length);
        const shot = await postJson(`/api/productions/${this.production}/shots`, {
          name: this.name,
          rate: this.rate,
          in: first,
          out: first + length - 1,
          handles: await frames(this.handles),
          aspect: Number(this.aspect),
          newKeys: 'settle',
        });
        location.assign(`/shots/${shot.id}`);
      });
    },
    bringIn() {
      return this.attempt(async () => {
        const form = new FormData();
        for (const file of this.$refs.file.files) form.append('file', file);
        if (this.bringRate.trim()) form.append('rate', this.bringRate.trim());
        if (this.bringFirst.trim()) {
          form.append('firstFrame', Math.round(await readQuantity(this.bringFirst, 'frames', this.bringRate || '24')));
        }
        const made = await postJson(`/api/productions/${this.production}/imports`, form);
        location.assign(`/shots/${made.shotId}/hand-off`);
      });
    },
    async duplicate(event) {
      const { shot, name } = event.currentTarget.dataset;
      try {
        await postJson(`/api/shots/${shot}/duplicate`, { name: `${name} copy` });
        location.reload();
      } catch (problem) {
        toast(problem.message, { bad: true });
      }
    },
    async remove(event) {
      const { shot, name } = event.currentTarget.dataset;
      const card = event.currentTarget.closest('article');
      try {
        await remove(`/api/shots/${shot}`);
        card.hidden = true;
        toast(`${name} is deleted`, {
          action: 'Put it back',
          onAction: async () => {
            await postJson(`/api/shots/${shot}/restore`);
            card.hidden = false;
          },
        });
      } catch (problem) {
        toast(problem.message, { bad: true });
      }
    },
  }));
});
