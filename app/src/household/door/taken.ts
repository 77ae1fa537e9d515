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
// Another such address pasted into the open page is opened anew, and the router does not hear of it.
window.addEventListener('popstate', (event) => {
  if (window.location.hash === '') return;
  event.stopImmediatePropagation();
  window.location.reload();
});

/** Gives out once what the app was opened with. */
export function giveTaken(): string {
  const text = taken;
  taken = '';
  return text;
}
