/** Takes what an address carries behind its `#` off the address, so that neither the way back nor the router has it. */
function take(): string {
  const { hash, pathname, search } = window.location;
  if (hash === '') return '';
  window.history.replaceState(window.history.state, '', pathname + search);
  try {
    return decodeURIComponent(hash.slice(1));
  } catch {
    return hash.slice(1); // no code and no token of ours
  }
}

/* Imported before the router is: it would keep what it reads, and write it into the address again. */
let taken = take();
let tell: ((text: string) => void) | null = null;
// Another address of the same page, typed or pasted while it is open: this hears of it before the router does.
window.addEventListener('popstate', () => {
  const text = take();
  if (text === '') return;
  if (tell) tell(text);
  else taken = text;
});

/** Gives out once what the app was opened with. */
export function giveTaken(): string {
  const text = taken;
  taken = '';
  return text;
}

/** Tells what comes later, or has come since the page was drawn; one page at a time. @returns how to stop. */
export function onTaken(hear: (text: string) => void): () => void {
  tell = hear;
  if (taken !== '') hear(giveTaken());
  return () => {
    if (tell === hear) tell = null;
  };
}
