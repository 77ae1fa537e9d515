import {
  childChosen,
  deviceSaid,
  keysSwitched,
  languageChosen,
  layerSwitched,
  pushedHere,
  prefsSlice,
  rememberedPrefs,
  rememberPrefs,
  tableMeant,
  themeChosen,
} from './prefs';

describe('what this browser remembers', () => {
  beforeEach(() => localStorage.clear());
  it('starts with everyone, the device’s theme and the browser’s language', () => {
    expect(rememberedPrefs()).toEqual({
      childId: null,
      theme: 'system',
      language: 'en',
      hiddenLayers: [],
      tables: {},
      device: null,
      pushed: null,
      keys: true,
    });
  });
  it('comes back as it was left', () => {
    const { reducer } = prefsSlice;
    const prefs = [
      ...[childChosen('c'), themeChosen('dark'), languageChosen('es')],
      ...[layerSwitched('due'), layerSwitched('test'), layerSwitched('test')],
      tableMeant({ shape: 'what|when', means: ['title', 'due'] }),
      deviceSaid({ personId: 'maren', own: true }),
      pushedHere('maren'),
      keysSwitched(false),
    ].reduce(reducer, rememberedPrefs());
    rememberPrefs(prefs);
    expect(rememberedPrefs()).toEqual({
      ...{ childId: 'c', theme: 'dark', language: 'es', hiddenLayers: ['due'] },
      tables: { 'what|when': ['title', 'due'] },
      device: { personId: 'maren', own: true },
      pushed: 'maren',
      keys: false,
    });
  });
  it.each([
    ['spoilt', '{'],
    ['of another kind', '7'],
    [
      'from another time',
      '{"theme":"sepia","language":"xx","childId":7,"hiddenLayers":["dreams"],"tables":{"a":["dreams"],"b":7},"device":{"own":true},"pushed":{"personId":"x"}}',
    ],
  ])('does not stumble over what is %s', (_name, kept) => {
    localStorage.setItem('cadro.prefs', kept);
    expect(rememberedPrefs()).toEqual({
      childId: null,
      theme: 'system',
      language: 'en',
      hiddenLayers: [],
      tables: {},
      device: null,
      pushed: null,
      keys: true,
    });
  });
});
