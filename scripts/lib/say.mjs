/** Progress lines and the one way to stop with a sentence. Node built-ins only, as all of scripts/lib. */
const begun = Date.now();
export const say = (text) => console.log(`[${((Date.now() - begun) / 1000).toFixed(1)} s] ${text}`);

/** An error whose message is the whole story for a person; `code` is the exit code. */
export class Stop extends Error {
  constructor(message, code = 1) {
    super(message);
    this.code = code;
  }
}
