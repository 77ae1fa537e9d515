import { act, screen } from '@testing-library/react';
import { api, store } from '../store';
import { replaceGlobals } from '../testing/globals';
import { show, signedInAs } from '../testing/show';
import { startTexts } from '../testing/texts';
import { WhoseDevice } from './WhoseDevice';

const question = 'Read Cadro without a connection?';
const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

/** What the test answers when it pleases. */
let answer: () => void = () => undefined;
const slow = api.injectEndpoints({
  endpoints: (build) => ({
    above: build.query<string, number>({
      queryFn: () => new Promise((answered) => (answer = () => answered({ data: 'here' }))),
    }),
  }),
});

beforeAll(() => startTexts('en'));
replaceGlobals({ caches: {} });
beforeEach(async () => {
  await signedInAs();
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

it('asks when nothing above it moves any more, and stays where it is then', async () => {
  const above = store.dispatch(slow.endpoints.above.initiate(1));
  show(<WhoseDevice />);
  await wait(5_000);
  expect(screen.queryByText(question)).toBeNull();
  await act(async () => answer());
  await wait(100);
  expect(screen.queryByText(question)).toBeNull();
  await wait(1_000);
  screen.getByText(question);
  const more = store.dispatch(slow.endpoints.above.initiate(2));
  await wait(1_000);
  screen.getByText(question);
  for (const each of [above, more]) each.unsubscribe();
});
