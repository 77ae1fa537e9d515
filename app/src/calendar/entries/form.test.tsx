import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { startTexts } from '../../testing/texts';
import type { ServerProblem } from '../../store';
import { show, signedInAs } from '../../testing/show';
import { EntryForm } from './EntryForm';
import { bodyOf, emptyDraft, type EntryDraft } from './entryDraft';

startTexts('en');
beforeAll(async () => void (await signedInAs()));
const kept: ReturnType<typeof bodyOf>[] = [];
function Form({
  start,
  about = null,
  error,
}: {
  start: EntryDraft;
  about?: string | null;
  error?: ServerProblem;
}) {
  const [draft, setDraft] = useState(start);
  return (
    <EntryForm
      {...{ draft, about, error, busy: false, heading: 'Add something' }}
      set={(change) => setDraft({ ...draft, ...change })}
      onSave={() => kept.push(bodyOf(draft))}
    />
  );
}
const form = (start: Partial<EntryDraft>, more: { about?: string; error?: ServerProblem } = {}) =>
  show(<Form start={emptyDraft({ on: '2026-10-22', ...start })} {...more} />);
const press = (role: string, name: string) => fireEvent.click(screen.getByRole(role, { name }));
const type = (label: string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } });

it('keeps what was chosen: a weekly event for one child, from when to when, for oneself', () => {
  form({});
  expect(screen.getByRole('button', { name: 'Save' }).getAttribute('aria-disabled')).toBe('true');
  press('radio', 'Event');
  type('Title', 'Swimming');
  type('From', '16:00');
  type('To', '17:15');
  press('radio', 'Every week');
  press('checkbox', 'Caspian');
  press('radio', 'Only me');
  press('button', 'Save');
  expect(kept.at(-1)).toEqual({
    ...{ kind: 'event', title: 'Swimming', text: null, studentIds: ['c'], shared: false },
    ...{ on: '2026-10-22', lastOn: null, startsAt: '16:00', endsAt: '17:15' },
    ...{ rule: 'FREQ=WEEKLY;BYDAY=TH', itemId: null, daysBefore: null },
  });
});

it('lets a day be picked out of a month', async () => {
  form({ title: 'Library books' });
  press('button', 'Thursday, October 22');
  press('button', 'Later');
  fireEvent.click(await screen.findByRole('button', { name: 'Tuesday, November 3' }, { timeout: 20_000 }));
  press('button', 'Save');
  expect(kept.at(-1)).toMatchObject({ on: '2026-11-03' });
}, 60_000);

it('before a work is due, asks for days and not for a date', () => {
  form({ title: 'Keel model', itemId: 'k', on: null, daysBefore: 2 }, { about: 'Keel model' });
  expect(screen.getByText('About “Keel model”')).not.toBeNull();
  expect(screen.queryByText('How often?')).toBeNull();
  press('radio', '3 days before it’s due');
  press('button', 'Save');
  expect(kept.at(-1)).toMatchObject({ itemId: 'k', daysBefore: 3, on: null, rule: null });
});

it('asks little of something to buy', () => {
  form({ kind: 'supply', on: null });
  type('What to buy', 'graph paper');
  expect(screen.queryByRole('textbox', { name: 'Time' })).toBeNull();
  press('button', 'Save');
  expect(kept.at(-1)).toMatchObject({ kind: 'supply', title: 'graph paper', on: null, startsAt: null });
});

it.each([
  ['/endsAt', 'It has to end after it starts. Write the time like 5:30 PM.'],
  ['/on', 'Please choose a day.'],
  ['/rule', 'It can’t be repeated like that.'],
])('names the field %s that does not fit', (path, words) => {
  const problem = {
    ...{
      type: 'urn:cadro:problem:bad-request',
      title: 'x',
      status: 400,
      detail: 'x',
      code: 'bad-request' as const,
    },
    errors: [{ path, message: 'x' }],
  };
  form({ title: 'x' }, { error: { status: 400, problem } });
  expect(screen.getByText(words)).not.toBeNull();
});
