/*
 * Goes with a process whose event loop is watched: between two turns of the loop the thread's own time on a processor is
 * taken, which a busy machine does not stretch as it does the time of a clock. Asked over its channel, it tells the
 * longest turn since it was asked last, in milliseconds. In threads of the process it does nothing.
 */
const { readFileSync } = require('node:fs');
const { isMainThread } = require('node:worker_threads');

if (isMainThread && process.send) {
  const spentMs = () => Number(readFileSync('/proc/thread-self/schedstat', 'utf8').split(' ')[0]) / 1e6;
  let last = spentMs();
  let longest = 0;
  setInterval(() => {
    const now = spentMs();
    longest = Math.max(longest, now - last);
    last = now;
  }, 1);
  process.on('message', (asked) => {
    if (asked !== 'longest turn') return;
    process.send({ longest });
    longest = 0;
  });
}
