import { render } from '@testing-library/react';
import { Provider } from 'react-redux';
import { store } from '../store';
import { Theme } from './theme/Theme';
import { Heading } from './Words';

const titleOf = () => document.title;
const shown = (level: 1 | 2, words: string) =>
  render(
    <Provider store={store}>
      <Theme wish="light">
        <Heading level={level}>{words}</Heading>
      </Theme>
    </Provider>,
  );

it('a page’s heading is its title, that of the detail beside the list, and the list’s again', () => {
  const list = shown(1, 'Work');
  expect(titleOf()).toBe('Work · Cadro');
  const detail = shown(1, 'Keel model');
  shown(2, 'Loose ends');
  expect(titleOf()).toBe('Keel model · Cadro');
  detail.unmount();
  expect(titleOf()).toBe('Work · Cadro');
  list.unmount();
  expect(titleOf()).toBe('Cadro');
});
