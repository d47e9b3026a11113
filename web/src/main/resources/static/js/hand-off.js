// The page of hand-offs: files out, files in, and what they could not hold.
import { getAnswer, getJson, postJson, readQuantity } from './common/api.js';

const when = (text) => new Date(`${text}Z`).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** Saves an answer as the file it names itself. */
async function download(answer) {
  const name = decodeURIComponent(
    /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition'))?.[1] ?? 'shot',
  );
  const link = Object.assign(document.createElement('a'), {
    href: URL.createObjectURL(await answer.blob()),
    download: name,
  });
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

document.addEventListener('alpine:init', () => {
  window.Alpine.data('handOff', () => ({
    into: 'here',
    first: '',
    rate: '',
    busy: false,
    outTrouble: '',
    inTrouble: '',
    done: null,
    entries: [],
    loaded: false,

    get isNew() {
      return this.into === 'new';
    },
    get firstHint() {
      return this.isNew ? 'as in the file, else 1001' : 'that of the shot';
    },
    get bringText() {
      return this.busy ? 'Reading…' : 'Bring in';
    },
    get none() {
      return this.loaded && this.entries.length === 0;
    },
    get some() {
      return this.entries.length > 0;
    },
    get doneText() {
      return this.done ? `${this.done.nodes.length} nodes came in.` : '';
    },
    get doneLink() {
      return this.done ? `/shots/${this.done.shotId}` : '';
    },
    get doneNotes() {
      return this.done ? this.done.notes : [];
    },

    init() {
      this.shot = this.$el.dataset.shot;
      this.production = this.$el.dataset.production;
      return this.list();
    },
    async list() {
      const entries = await getJson(`/api/shots/${this.shot}/handoffs`);
      this.entries = entries.map((e) => ({ ...e, when: when(e.at), noteText: e.notes.join('; ') || 'nothing' }));
      this.loaded = true;
    },
    async write(path) {
      this.outTrouble = '';
      try {
        await download(await getAnswer(path));
        await this.list();
      } catch (problem) {
        this.outTrouble = problem.message;
      }
    },
    send(event) {
      const form = new FormData(event.target);
      const cameras = form.getAll('camera');
      if (!cameras.length) {
        this.outTrouble = 'Choose at least one camera';
        return undefined;
      }
      const query = new URLSearchParams([...cameras.map((c) => ['camera', c]), ['set', String(form.has('set'))]]);
      return this.write(`/api/shots/${this.shot}/export/glb?${query}`);
    },
    save() {
      return this.write(`/api/shots/${this.shot}/export/json`);
    },
    async bring() {
      this.inTrouble = '';
      this.done = null;
      this.busy = true;
      try {
        const form = new FormData();
        const files = [...this.$refs.file.files];
        for (const file of files) form.append('file', file);
        const whole = files.some((file) => file.name.toLowerCase().endsWith('.json'));
        if (!this.isNew && !whole) form.append('shot', this.shot);
        if (this.isNew && this.rate.trim()) form.append('rate', this.rate.trim());
        if (this.first.trim())
          form.append('firstFrame', Math.round(await readQuantity(this.first, 'frames', this.rate || '24')));
        this.done = await postJson(`/api/productions/${this.production}/imports`, form);
        await this.list();
      } catch (problem) {
        this.inTrouble = problem.message;
      }
      this.busy = false;
    },
  }));
});
