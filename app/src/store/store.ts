import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { api } from './api';
import { inHandSlice } from './inHand';
import { intents } from './intents';
import { outboxKey, outboxReadAnew, outboxSlice, rememberedOutbox, rememberOutbox } from './outbox';
import { prefsSlice, rememberPrefs } from './prefs';
import { reachSlice } from './reach';
import { sessionSlice } from './session';

const makeStore = () =>
  configureStore({
    reducer: {
      prefs: prefsSlice.reducer,
      inHand: inHandSlice.reducer,
      session: sessionSlice.reducer,
      outbox: outboxSlice.reducer,
      reach: reachSlice.reducer,
      [api.reducerPath]: api.reducer,
    },
    preloadedState: { outbox: { waiting: rememberedOutbox() } },
    middleware: (usual) => usual().concat(api.middleware),
  });

export const store = makeStore();
setupListeners(store.dispatch);
store.subscribe(() => rememberPrefs(store.getState().prefs));
if (typeof window !== 'undefined')
  window.addEventListener('storage', ({ key }) => {
    if (key === outboxKey) store.dispatch(outboxReadAnew(rememberedOutbox()));
  });
let kept = store.getState().outbox;
store.subscribe(() => {
  const { outbox } = store.getState();
  if (outbox !== kept) {
    rememberOutbox(outbox.waiting);
    const still = new Set(outbox.waiting.map(({ key }) => key));
    for (const { key } of kept.waiting) if (!still.has(key)) intents.over(key);
  }
  kept = outbox;
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppSelector = useSelector.withTypes<RootState>();
/** For what is known when something is done, rather than when it was drawn. */
export const useAppStore = useStore.withTypes<typeof store>();
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
