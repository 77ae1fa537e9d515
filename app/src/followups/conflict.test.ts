import { currentOf } from './conflict';

const current = { id: 'f', version: 3, entries: [] };
const refused = (problem: unknown) => ({ status: 409, problem });

it.each<[string, unknown, unknown]>([
  ['a change that came too late', refused({ code: 'edited-meanwhile', current }), current],
  ['another refusal', refused({ code: 'forbidden', current }), null],
  ['one without what stands', refused({ code: 'edited-meanwhile' }), null],
  ['one with nothing for it', refused({ code: 'edited-meanwhile', current: null }), null],
  ['one with something else', refused({ code: 'edited-meanwhile', current: { id: 'f' } }), null],
  ['no answer at all', { status: 'offline', problem: null }, null],
  ['something else', new Error('no'), null],
])('%s', (_name, error, expected) => expect(currentOf(error)).toEqual(expected));
