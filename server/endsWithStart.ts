/**
 * The server ends with the command that started it, however that ends. Taken in before anything else: what is not listened for in the first
 * moments is lost.
 */
const LOOK_EVERY_ms = 500;
/** who does not end within this is ended */
const DEADLINE_ms = 5000;

const starter = process.ppid;
let ended = false;
let how: () => Promise<void> = async () => {};

/** Ends: what is open is closed first, where that does not take long. */
export function end(): void {
  if (ended) return;
  ended = true;
  setTimeout(() => process.exit(0), DEADLINE_ms).unref();
  void how().then(
    () => process.exit(0),
    () => process.exit(0),
  );
}
/** @param close what is closed before the end */
export function endingBy(close: () => Promise<void>): void {
  how = close;
}

/** Whether whoever started it still runs; one that was started by hand has no start command. */
const starterIsGone = (): boolean => process.send !== undefined && (!process.connected || process.ppid !== starter);

process.on('SIGTERM', end);
process.on('SIGINT', end);
process.on('disconnect', end);
if (process.send !== undefined) setInterval(() => void (starterIsGone() && end()), LOOK_EVERY_ms).unref();
