import { fireEvent, render, screen } from '@testing-library/react';
import { Provider } from 'react-redux';
import { startTexts } from '../testing/texts';
import { store } from '../store';
import { Loaded } from './States';
import { Theme } from './theme/Theme';
import { Words } from './Words';

startTexts('en');
const refetch = jest.fn();
const show = (query: { data?: string; isError: boolean }) =>
  render(
    <Provider store={store}>
      <Theme wish="light">
        <Loaded query={{ ...query, refetch }}>{(data) => <Words>{data}</Words>}</Loaded>
      </Theme>
    </Provider>,
  );

it('shows the shape of what is coming while there is nothing yet', () => {
  show({ isError: false });
  expect(screen.getByLabelText('Loading')).toBeTruthy();
});

it('keeps what there is when a refresh fails', () => {
  show({ data: 'yesterday’s grades', isError: true });
  expect(screen.getByText('yesterday’s grades')).toBeTruthy();
  expect(screen.queryByRole('alert')).toBeNull();
});

it('says what to do when nothing could be read', () => {
  show({ isError: true });
  fireEvent.click(screen.getByText('Try again'));
  expect(refetch).toHaveBeenCalledTimes(1);
});
