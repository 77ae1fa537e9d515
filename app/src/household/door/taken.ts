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

/** Gives out once what the app was opened with. */
export function giveTaken(): string {
  const text = taken;
  taken = '';
  return text;
}

/** Tells what another address of the same page brings, typed or pasted while it is open. @returns how to stop. */
export function onTaken(tell: (text: string) => void): () => void {
  const look = () => {
    const text = take();
    if (text !== '') tell(text);
  };
  window.addEventListener('hashchange', look);
  return () => window.removeEventListener('hashchange', look);
}
