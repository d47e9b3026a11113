// Files that the server wrote, saved under the names it gave them.
const REVOKE_AFTER_MS = 10_000;

/** The name that an answer gives the file it holds. @param {Response} answer */
function fileName(answer) {
  const said = /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition'));
  return decodeURIComponent(said?.[1] ?? 'shot');
}

/** @param {Response} answer */
export async function save(answer) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = fileName(answer);
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), REVOKE_AFTER_MS);
}
