import express from 'express';
import request from 'supertest';
import { aheadOf } from './ahead';

const app = express().use((asked, response) => void response.json(aheadOf(asked)));
const me = '/api/me';

it.each([
  ['the Brief', '/brief', true, 'en', ['brief', 'firstEn'], [me, '/api/brief']],
  ['the first page', '/', true, 'en-GB,en', ['brief', 'firstEn'], [me, '/api/brief']],
  ['a place in Spanish', '/talk/new', true, 'es-MX,es', ['talk', 'firstEs', 'restEs'], [me]],
  ['a language that is not spoken here', '/work', true, 'fr', ['work', 'firstEn', 'restEn'], [me]],
  ['a part of a place', '/work/plan', true, 'en', ['plan', 'firstEn', 'restEn'], [me]],
  ['what a child is shown', '/shown/a-b', true, 'en', ['plan', 'firstEn', 'restEn'], [me]],
  ['an address of no place', '/nowhere', true, 'en', ['brief', 'firstEn'], [me]],
  ['who is not signed in', '/courses', false, 'en', ['door', 'firstEn', 'restEn'], []],
  ['the door', '/sign-in', true, 'en', ['door', 'firstEn', 'restEn'], []],
  ['an operator, who is nobody’s guardian', '/operator', true, 'en', ['operator', 'firstEn', 'restEn'], []],
])('%s', async (_name, path, signedIn, language, scripts, answers) => {
  const asked = request(app).get(path).set('accept-language', language);
  if (signedIn) void asked.set('cookie', 'other=1; cadro.session=s%3Aabc');
  expect((await asked).body).toEqual({ scripts, answers });
});
