import axe, { type RunOptions } from 'axe-core';
import { expect, type Locator, type Page } from '@playwright/test';
import { given } from './given';
import {
  badlyPlaced,
  hidingNames,
  lengthen,
  tooManyDark,
  tooManyLooks,
  tooSmall,
  unlistedRows,
} from './everybody';

const everyRule: RunOptions['runOnly'] = {
  type: 'tag',
  values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
};
/** The same screen in other colours: only what looks at colours can find anything else. */
const rulesOfColour: RunOptions['runOnly'] = {
  type: 'rule',
  values: ['color-contrast', 'link-in-text-block'],
};

const password = 'tide-and-lantern';

/** What a guardian does at the screen, in the words of the job. */
export class Guardian {
  readonly complaints: string[] = [];

  /** Whether nobody else walks through this stack. */
  alone = true;

  constructor(
    readonly page: Page,
    readonly wide: boolean,
  ) {
    page.on('pageerror', (error) => this.complaints.push(error.message));
    page.on('console', (message) => {
      // The one expected: being asked who one is before signing in.
      if (message.type() === 'error' && !message.text().includes('401')) this.complaints.push(message.text());
    });
  }

  /** Comes in without walking through the door. @param at the page where the session begins. */
  async signsIn(name = 'maren', at = '/brief'): Promise<void> {
    await this.hasSession(name);
    await this.page.goto(at);
    await this.seesPage();
  }

  /** The page has been loaded. */
  private async seesPage(): Promise<void> {
    await this.page.waitForFunction(() =>
      Array.from(document.querySelectorAll('h1, h2')).some((heading) => heading.checkVisibility()),
    );
  }

  private async hasSession(name: string): Promise<void> {
    const data = { email: `${name}@aldervane.example`, password };
    expect((await this.page.request.post('/api/session', { data })).status()).toBe(200);
  }

  /** A window of somebody else at home, in English, beside this one. @param at the page where it opens. */
  async beside(name: string, at = '/brief'): Promise<Page> {
    const browser = this.page.context().browser();
    if (!browser) throw new Error('no browser to open a window in');
    const page = await browser.newPage({ baseURL: new URL(this.page.url()).origin });
    await new Guardian(page, this.wide).hasSession(name);
    expect((await page.request.patch('/api/me', { data: { language: 'en' } })).status()).toBe(200);
    await page.goto(at);
    return page;
  }

  /** Comes in by the door, as anybody does. */
  async signsInAtTheDoor(name = 'maren', home = /\/brief$/): Promise<void> {
    await this.page.goto('/sign-in');
    await this.page.getByLabel('E-mail address').fill(`${name}@aldervane.example`);
    await this.page.getByLabel('Password').fill(password);
    await this.page.getByRole('button', { name: 'Sign in' }).click();
    await expect(this.page).toHaveURL(home);
  }

  async goesTo(place: 'Brief' | 'Courses' | 'Work' | 'Days' | 'Talk'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();
    await expect(this.page).toHaveURL(new RegExp(`/${place.toLowerCase()}`));
  }

  /** Goes to an address inside the app, as the browser's own way back does; a heading that was not there comes. */
  async opens(path: string): Promise<void> {
    const { page } = this;
    const before = await page.evaluateHandle(() => Array.from(document.querySelectorAll('h1')));
    await page.evaluate((to) => {
      window.history.pushState({}, '', to);
      window.dispatchEvent(new PopStateEvent('popstate', { state: {} }));
    }, path);
    await page.waitForFunction(
      (known) =>
        Array.from(document.querySelectorAll('h1')).some((h1) => !known.includes(h1) && h1.checkVisibility()),
      before,
    );
  }

  /** A child's id, for addresses. */
  async idOf(givenName: string): Promise<string> {
    const me = (await (await this.page.request.get('/api/me')).json()) as {
      children: { id: string; givenName: string }[];
    };
    const child = me.children.find((each) => each.givenName === givenName);
    if (!child) throw new Error(`no child ${givenName}`);
    return child.id;
  }

  async seesOnly(child: string): Promise<void> {
    await this.page
      .getByRole('radiogroup', { name: 'Whose schoolwork' })
      .getByRole('radio', { name: child })
      .click();
  }

  async movesOnOneDay(): Promise<void> {
    if (!this.alone)
      throw new Error('a day would pass for other files, too: give this one a story of its own');
    await this.goesTo('Brief');
    const button = this.page.getByRole('button', { name: 'Next day' });
    const before = await this.page.getByText(/^Demo: /).textContent();
    // By key: what stands above it may still come and move it away from under a finger.
    await button.press('Enter');
    await expect(this.page.getByText(/^Demo: /)).not.toHaveText(before ?? '');
    await expect(button).toBeEnabled();
  }

  private async hasFollowUp(name: string): Promise<boolean> {
    const { followUps } = (await (await this.page.request.get('/api/followups')).json()) as {
      followUps: { title: string }[];
    };
    return followUps.some(({ title }) => title === name);
  }

  /** Takes a loose end in hand without walking there. */
  async takesInHand(name: string, note: string) {
    const { request } = this.page;
    const work = (await (await request.get('/api/work')).json()) as {
      rows: { title: string; studentId: string; itemId: string }[];
    };
    const end = work.rows.find(({ title }) => title === name);
    if (!end) throw new Error(`${name} is no loose end`);
    const { studentId, itemId, title } = end;
    const data = { studentId, itemId, title, step: 'agreed', note };
    const followUp = (await (await request.post('/api/followups', { data })).json()) as {
      id: string;
      teacher: { id: string };
    };
    return { studentId, title, followUp };
  }

  /** A follow-up and a letter, as the journey leaves them, without walking it again. */
  async hasTheKeelModelInHand(): Promise<void> {
    const { request } = this.page;
    if (await this.hasFollowUp('Keel model')) return;
    const { studentId, title, followUp } = await this.takesInHand('Keel model', 'He hands it in tomorrow.');
    const letter = {
      studentId,
      teacherId: followUp.teacher.id,
      followUpId: followUp.id,
      subject: title,
      text: 'A question',
    };
    expect((await request.post('/api/messages', { data: letter })).status()).toBe(202);
  }

  /** Opens every group of the rules. */
  async opensEveryRule(): Promise<void> {
    const folded = this.page.getByRole('button', { name: /^Change: /, expanded: false });
    await expect(folded.first()).toBeVisible();
    while ((await folded.count()) > 0) await folded.first().click();
  }

  matter(title: RegExp | string): Locator {
    return this.page.getByRole('list', { name: 'Matters' }).getByRole('listitem').filter({ hasText: title });
  }

  async opensCourse(title: string): Promise<void> {
    await this.goesTo('Courses');
    await this.page
      .getByRole('link', { name: new RegExp(`^${title}\\.`) })
      .first()
      .click();
    await expect(this.page.getByRole('heading', { level: 1, name: title, exact: true })).toBeVisible();
  }

  async opensWork(title: string): Promise<void> {
    await this.page
      .getByRole('link', { name: new RegExp(`^${title}\\.`) })
      .first()
      .click();
    await expect(this.page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  }

  /** Chooses assignments in Work and has them laid out over the evenings of their child. */
  async plans(titles: readonly string[]): Promise<void> {
    const { page } = this;
    await this.goesTo('Work');
    for (const title of titles) await page.getByRole('checkbox', { name: `Select ${title}` }).click();
    await page.getByRole('button', { name: 'Add to the plan' }).click();
    await page.getByRole('button', { name: 'Propose a plan' }).click();
    await expect(page.getByText('Nothing better fits.')).toBeVisible();
  }

  private isDark(): Promise<boolean> {
    return this.page.evaluate(() => document.documentElement.style.colorScheme === 'dark');
  }

  /** The evening comes, or the morning: the device asks for the other theme. */
  async changesTheme(): Promise<void> {
    const { page } = this;
    const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    const [before, other] = [await ground(), (await this.isDark()) ? 'light' : 'dark'] as const;
    await page.emulateMedia({ colorScheme: other });
    await page.waitForFunction((wanted) => document.documentElement.style.colorScheme === wanted, other);
    expect(await ground()).not.toBe(before);
  }

  /** Nothing scrolls sideways, and axe finds nothing, in this theme or in both. */
  async findsScreenInOrder(name: string): Promise<void> {
    // A page that is only being loaded is in order, and nothing is learned of it.
    await this.seesPage();
    await this.findsItselfNamed(name);
    await this.findsItForEverybody(name);
    await this.findsThemeInOrder(name, everyRule);
    if (given().run !== 'other size') return;
    await this.changesTheme();
    await this.findsThemeInOrder(`${name}, in the other theme`, rulesOfColour);
  }

  /** Whoever reads by ear, touches, reads on a narrow screen, in a longer language or from right to left has all of it. */
  private async findsItForEverybody(name: string): Promise<void> {
    const { page } = this;
    const settled = () =>
      page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    const well = async (how: string) => {
      await settled();
      expect(await page.evaluate(badlyPlaced), `${name}, ${how}`).toEqual([]);
    };
    expect(await page.evaluate(hidingNames), `${name}: names say what is seen`).toEqual([]);
    expect(await page.evaluate(unlistedRows), `${name}: lists are lists`).toEqual([]);
    expect(await page.evaluate(tooSmall), `${name}: what is pressed is large enough`).toEqual([]);
    expect(await page.evaluate(tooManyLooks), `${name}: four sizes and two weights`).toEqual([]);
    expect(await page.evaluate(tooManyDark), `${name}: one dark button`).toEqual([]);
    await well('as it is');
    const size = page.viewportSize();
    if (size && !this.wide) {
      await page.setViewportSize({ width: 320, height: 700 });
      await well('on a narrow screen');
      await page.setViewportSize(size);
    }
    await page.evaluate(() => (document.documentElement.dir = 'rtl'));
    await well('from right to left');
    await page.evaluate(() => (document.documentElement.dir = 'ltr'));
    await page.evaluate(lengthen);
    await well('in a language two fifths longer');
    await page.evaluate(lengthen);
  }

  /** The browser's tab says which page it is. */
  private async findsItselfNamed(name: string): Promise<void> {
    const heading = () => this.page.locator('h1').last().textContent();
    await expect
      .poll(
        async () => (await this.page.title()) === `${await heading()} · Cadro`,
        `${name} is named by its heading`,
      )
      .toBe(true);
  }

  private async findsNothingAside(name: string): Promise<void> {
    const sideways = await this.page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(sideways, `${name} scrolls sideways`).toBeLessThanOrEqual(0);
  }

  private async findsThemeInOrder(name: string, runOnly: RunOptions['runOnly']): Promise<void> {
    await this.findsNothingAside(name);
    const violations = await this.axe({
      ...(runOnly ? { runOnly } : {}),
      resultTypes: ['violations'],
      // No style sheet of another origin has to be fetched for these rules.
      preload: false,
    });
    const found = violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
    );
    expect(found, `axe on ${name}`).toEqual([]);
  }

  /** axe looks at the page as it is; there are no frames of others in it. Its code is brought to a document once. */
  private async axe(options: RunOptions) {
    const { page } = this;
    if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
    return page.evaluate(async (how) => (await window.axe.run(document, how)).violations, options);
  }
}

declare global {
  interface Window {
    axe: typeof axe;
  }
}
