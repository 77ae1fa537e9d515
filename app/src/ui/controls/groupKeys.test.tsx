import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { store } from '../../store';
import { Theme } from '../theme/Theme';
import { Choice } from './Controls';
import { Tick } from './Tick';

function Seasons({ first }: { first: string }) {
  const [season, setSeason] = useState(first);
  const options = ['Spring', 'Summer', 'Fall'].map((value) => ({ value, label: value }));
  return <Choice label="Season" options={options} value={season} onChange={setSeason} />;
}
function Anchor() {
  const [on, setOn] = useState(false);
  return <Tick label="Anchor" on={on} onChange={setOn} />;
}
const show = (what: React.ReactNode) =>
  render(
    <Provider store={store}>
      <Theme wish="light">{what}</Theme>
    </Provider>,
  );
const chosen = () =>
  screen
    .getAllByRole('radio')
    .flatMap((each) => (each.getAttribute('aria-checked') === 'true' ? [each] : []))[0];
const reachedByTab = () =>
  screen.getAllByRole('radio').flatMap((each) => (each.tabIndex === 0 ? [each.textContent] : []));

it.each([
  ['Summer', 'ArrowRight', 'Fall'],
  ['Fall', 'ArrowDown', 'Spring'],
  ['Spring', 'ArrowLeft', 'Fall'],
  ['Summer', 'ArrowUp', 'Spring'],
  ['Summer', 'Home', 'Spring'],
  ['Spring', 'End', 'Fall'],
  ['Summer', 'Tab', 'Summer'],
])('from %s the key %s leads to %s', (first, key, to) => {
  show(<Seasons first={first} />);
  const from = screen.getByRole('radio', { name: first });
  from.focus();
  const kept = fireEvent.keyDown(from, { key });
  expect(chosen()?.textContent).toBe(to);
  expect(document.activeElement?.textContent).toBe(to);
  expect(reachedByTab()).toEqual([to]);
  // Only what the group has answered is kept from the page.
  expect(kept).toBe(key === 'Tab');
});

it('Space chooses where nothing is chosen yet, and Tab comes to the first', () => {
  show(<Seasons first="" />);
  expect(reachedByTab()).toEqual(['Spring']);
  fireEvent.keyDown(screen.getByRole('radio', { name: 'Spring' }), { key: ' ' });
  expect(chosen()?.textContent).toBe('Spring');
});

it('Space ticks, and ticks off again', () => {
  show(<Anchor />);
  const box = screen.getByRole('checkbox', { name: 'Anchor' });
  fireEvent.keyDown(box, { key: ' ' });
  expect(box.getAttribute('aria-checked')).toBe('true');
  fireEvent.keyDown(box, { key: ' ' });
  expect(box.getAttribute('aria-checked')).toBe('false');
  fireEvent.keyDown(box, { key: 'a' });
  expect(box.getAttribute('aria-checked')).toBe('false');
});
