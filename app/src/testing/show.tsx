import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { householdApi } from '../household';
import { store } from '../store';
import { Theme } from '../ui';
import { aGuardian } from './family';

/** Signs a guardian of the story in, without a server. */
export const signedInAs = (role?: 'look-only') =>
  store.dispatch(householdApi.util.upsertQueryData('me', undefined, aGuardian(role ? { role } : {})));

/** A part of a screen with the store and the theme around it. */
export const show = (element: ReactElement) =>
  render(
    <Provider store={store}>
      <Theme wish="light">{element}</Theme>
    </Provider>,
  );
