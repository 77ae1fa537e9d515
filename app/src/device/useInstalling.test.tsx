import { act, fireEvent, screen } from '@testing-library/react';
import { show, signedInAs } from '../testing/show';
import { startTexts } from '../testing/texts';
import { OnThisDevice } from './WhoseDevice';

const isOnHomeScreen = { now: false };
const media = { addEventListener: () => undefined, removeEventListener: () => undefined };
Object.assign(window, {
  matchMedia: (query: string) => ({ ...media, matches: query.includes('standalone') && isOnHomeScreen.now }),
});

/** What this device keeps, unfolded. */
function shown() {
  show(<OnThisDevice />);
  fireEvent.click(screen.getByRole('button', { name: /^On this device/ }));
}

/** A browser offers to put Cadro onto the home screen. */
function offer() {
  const event = Object.assign(new Event('beforeinstallprompt', { cancelable: true }), {
    prompt: jest.fn(() => Promise.resolve({ outcome: 'accepted' })),
  });
  act(() => void window.dispatchEvent(event));
  return event;
}
const button = () => screen.queryByRole('button', { name: 'Add Cadro to the home screen' });
const byHand = () => screen.queryByText(/^To open Cadro like an app/);

beforeAll(() => startTexts('en'));
beforeEach(() => signedInAs());

it('says how it is done by hand, until the browser offers to do it', () => {
  shown();
  expect(button()).toBeNull();
  expect(byHand()).not.toBeNull();
  const { defaultPrevented } = offer();
  expect(defaultPrevented).toBe(true);
  expect(button()).not.toBeNull();
  expect(byHand()).toBeNull();
});

it('asks the browser once, and offers nothing more once it is there', async () => {
  shown();
  const { prompt } = offer();
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: /home screen/ })));
  expect(prompt).toHaveBeenCalledTimes(1);
  expect(button()).toBeNull();
  offer();
  expect(button()).not.toBeNull();
  isOnHomeScreen.now = true;
  act(() => void window.dispatchEvent(new Event('appinstalled')));
  expect(button()).toBeNull();
  expect(byHand()).toBeNull();
});
