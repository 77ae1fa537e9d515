import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { inHandSlice } from './inHand';
import { prefsSlice, rememberPrefs } from './prefs';

const makeStore = () =>
  configureStore({
    reducer: { prefs: prefsSlice.reducer, inHand: inHandSlice.reducer, [api.reducerPath]: api.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });

export const store = makeStore();
setupListeners(store.dispatch);
store.subscribe(() => rememberPrefs(store.getState().prefs));

export type RootState = ReturnType<typeof store.getState>;
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
