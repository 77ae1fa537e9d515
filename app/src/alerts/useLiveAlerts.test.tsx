import { act } from '@testing-library/react';
import { api, sessionBegun, sessionEnded, store } from '../store';
import { replaceGlobals } from '../testing/globals';
import { show } from '../testing/show';
import { useLiveAlerts } from './useLiveAlerts';

/** A stream of the server's, as a browser has it: the test says what comes of it. */
class Stream extends EventTarget {
  static readonly CLOSED = 2;
  static readonly all: Stream[] = [];
  readyState = 0;
  constructor(readonly address: string) {
    super();
    Stream.all.push(this);
  }
  opens() {
    this.readyState = 1;
    act(() => void this.dispatchEvent(new Event('open')));
  }
  /** The line broke: the browser tries again by itself. */
  breaks() {
    this.readyState = 0;
    act(() => void this.dispatchEvent(new Event('error')));
  }
  /** The server has answered with something else: the browser gives up. */
  refused() {
    this.readyState = Stream.CLOSED;
    act(() => void this.dispatchEvent(new Event('error')));
  }
  close() {
    this.readyState = Stream.CLOSED;
  }
}
function Page() {
  useLiveAlerts();
  return null;
}
const asksAnew = jest.spyOn(api.util, 'invalidateTags');
const open = () => Stream.all.filter(({ readyState }) => readyState !== Stream.CLOSED);

replaceGlobals({ EventSource: Stream });
beforeEach(() => {
  Stream.all.splice(0);
  jest.useFakeTimers();
  asksAnew.mockClear();
});
afterEach(() => jest.useRealTimers());

it('asks for what has changed, and for everything once it has been away', () => {
  show(<Page />);
  const [stream] = Stream.all;
  stream?.opens();
  expect(asksAnew).not.toHaveBeenCalled();
  act(() => void stream?.dispatchEvent(new Event('notes')));
  expect(asksAnew.mock.calls).toEqual([[['Notes']]]);
  stream?.breaks();
  stream?.opens();
  expect(asksAnew.mock.calls[1]?.[0]).toContain('Record');
  expect(Stream.all).toHaveLength(1);
});

it('begins anew where the server refused it', () => {
  const { unmount } = show(<Page />);
  Stream.all[0]?.opens();
  Stream.all[0]?.refused();
  expect(open()).toHaveLength(0);
  act(() => void jest.advanceTimersByTime(5_000));
  expect(open()).toHaveLength(1);
  Stream.all[1]?.opens();
  expect(asksAnew).toHaveBeenCalledTimes(1);
  Stream.all[1]?.refused();
  unmount();
  act(() => void jest.advanceTimersByTime(60_000));
  expect(open()).toHaveLength(0);
});

it('is silent while the session is over, and hears again after the next sign-in', () => {
  show(<Page />);
  Stream.all[0]?.opens();
  act(() => void store.dispatch(sessionEnded(store.getState().session.count)));
  act(() => void jest.advanceTimersByTime(60_000));
  expect(open()).toHaveLength(0);
  act(() => void store.dispatch(sessionBegun()));
  expect(open()).toHaveLength(1);
});
