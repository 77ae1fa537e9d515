import { arrived, headingShown, keepFocus } from './arrivals';

const page = (html: string): void => {
  document.body.innerHTML = `<div role="main"><main>${html}</main></div>`;
};
const at = (id: string): HTMLElement => document.getElementById(id) ?? document.body;
const focused = (): string => document.activeElement?.id ?? '';
/** What the browser tells of changes comes after what is being done. */
const told = () => new Promise((done) => setTimeout(done, 0));

let stop: () => void;
beforeEach(() => {
  stop = keepFocus();
  arrived('/nowhere');
});
afterEach(() => stop());

describe('a new page', () => {
  it('is read from its heading on, the detail’s where there are two', () => {
    page('<h1 id="list">Work</h1>');
    arrived('/work');
    headingShown();
    expect(focused()).toBe('list');
    page('<h1 id="list">Work</h1><h1 id="detail">Keel model</h1>');
    arrived('/courses/c/b/k');
    headingShown();
    expect(focused()).toBe('detail');
  });

  it('on the way back it is the link that one had left by', () => {
    page('<h1 id="title">Work</h1><a id="first" href="/a">A</a><a id="second" href="/b">B</a>');
    arrived('/work');
    headingShown();
    at('second').focus();
    at('second').click();
    page('<h1 id="other">B</h1>');
    arrived('/b');
    headingShown();
    page('<h1 id="title">Work</h1><a id="first" href="/a">A</a><a id="second" href="/b">B</a>');
    arrived('/work');
    headingShown();
    expect(focused()).toBe('second');
  });

  it('also where the page is drawn before its address is told', () => {
    page('<h1 id="title">Work</h1><a id="first" href="/b">B</a>');
    arrived('/work');
    headingShown();
    at('first').click();
    page('<h1 id="other">B</h1>');
    arrived('/b');
    headingShown();
    // Nothing was touched on the page in between.
    page('<h1 id="title">Work</h1><a id="first" href="/b">B</a>');
    headingShown();
    arrived('/work');
    expect(focused()).toBe('first');
  });

  it('at the top where a link leads on to a page one has come from', () => {
    page('<h1 id="title">Work</h1><a id="first" href="/b">B</a>');
    arrived('/work');
    headingShown();
    at('first').click();
    page('<h1 id="other">B</h1><nav><a id="place" href="/work">Work</a></nav>');
    arrived('/b');
    headingShown();
    at('place').click();
    page('<h1 id="title">Work</h1><a id="first" href="/b">B</a>');
    arrived('/work');
    headingShown();
    expect(focused()).toBe('title');
  });

  it('leaves the field that has it where a page is there to be typed into', () => {
    page('<h1 id="title">Search</h1><input id="field">');
    arrived('/search');
    at('field').focus();
    headingShown();
    expect(focused()).toBe('field');
  });

  it('leaves whoever has gone on by a key where they are', () => {
    page('<h1 id="title">Work</h1><button id="button">Plan</button>');
    arrived('/work');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Tab' }));
    at('button').focus();
    headingShown();
    expect(focused()).toBe('button');
  });
});

describe('what had the focus', () => {
  // One has been on the page for a while.
  beforeEach(() => void document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Shift' })));

  it('goes: on to what stands in its place', async () => {
    page(
      '<h2 id="head">Offers</h2><div id="list"><div><button id="one">Yes</button></div><div><button id="two">Yes</button></div></div>',
    );
    at('one').focus();
    at('list').firstElementChild?.remove();
    await told();
    expect(focused()).toBe('two');
  });

  it('goes without anything in its place: to the heading above', async () => {
    page('<h2 id="head">Offers</h2><div id="list"><p><button id="one">Yes</button></p></div>');
    at('one').focus();
    at('list').replaceChildren();
    await told();
    expect(focused()).toBe('head');
  });

  it('was busy, and is there again', async () => {
    page('<button id="save">Save</button>');
    const save = at('save') as HTMLButtonElement; // it is one
    save.focus();
    save.disabled = true;
    save.blur();
    await told();
    save.disabled = false;
    await told();
    expect(focused()).toBe('save');
  });

  it('is left alone where somebody points beside it', async () => {
    page('<button id="save">Save</button><p id="beside"></p>');
    at('save').focus();
    at('beside').dispatchEvent(new Event('pointerdown', { bubbles: true }));
    at('save').blur();
    at('beside').replaceChildren('changed');
    await told();
    expect(focused()).toBe('');
  });
});
