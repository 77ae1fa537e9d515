import type { Browser, Page } from '@playwright/test';
import { generateSync } from 'otplib';
import { Guardian } from './guardian';
import { expect, type RunningStack } from './stack';

/* People who come to Cadro for the first time, each in a browser of their own. */
interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** The address in the last mail with such a subject, opened where passkeys work: by the name of this machine. */
export async function addressIn(
  running: RunningStack,
  page: Page,
  to: string,
  subject: RegExp,
): Promise<string> {
  let found: string | undefined;
  await expect
    .poll(async () => {
      const { arrivals } = (await (await page.request.get(`${running.schoolUrl}/demo/arrivals`)).json()) as {
        arrivals: Mail[];
      };
      const mail = arrivals.filter((each) => each.to === to && subject.test(each.subject)).at(-1);
      found = /http\S+#\S+/.exec(mail?.text ?? '')?.[0];
      return found;
    })
    .toBeTruthy();
  return (found ?? '').replace('127.0.0.1', 'localhost');
}

export async function newcomer(browser: Browser, running: RunningStack, wide: boolean): Promise<Guardian> {
  const context = await browser.newContext({
    baseURL: running.url.replace('127.0.0.1', 'localhost'),
    viewport: wide ? { width: 1280, height: 800 } : { width: 390, height: 844 },
  });
  return new Guardian(await context.newPage(), wide);
}

/** What of a secret behind the `#` is written into the address or the way back, by whatever part of the app. */
export async function addressesWritten(page: Page): Promise<() => string[]> {
  const written: string[] = [];
  await page.exposeFunction('cadroWritten', (address: string) => written.push(address));
  await page.addInitScript(() => {
    for (const name of ['replaceState', 'pushState'] as const) {
      const write = window.history[name].bind(window.history);
      window.history[name] = (state: unknown, unused: string, address?: string | URL | null) => {
        if (String(address).includes('#'))
          (window as unknown as { cadroWritten: (text: string) => void }).cadroWritten(String(address));
        write(state, unused, address);
      };
    }
  });
  return () => written;
}

export const signIn = async (page: Page, email: string, password: string) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
};
export const signOut = async (page: Page) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in$/);
};
/** A key that lives in this browser, and is confirmed at once. */
export const withPasskeys = async (page: Page) => {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      ...{ protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true },
      ...{ isUserVerified: true, automaticPresenceSimulation: true },
    },
  });
};

const operatorPassword = 'seven lamps along the breakwater';
/** Who runs this Cadro is made one, and signs in with both steps. @param refused after a code that is wrong. */
export async function operatorSignsIn(
  page: Page,
  running: RunningStack,
  refused: () => Promise<void> = async () => undefined,
): Promise<void> {
  const said = await running.operator(['add-operator', 'Sable'], {
    CADRO_OPERATOR_PASSWORD: operatorPassword,
  });
  const secret = said.map((line) => /shown only once: (\S+)$/.exec(line)?.[1]).find(Boolean) ?? '';
  await page.goto('/operator');
  await page.getByLabel('Your operator name').fill('Sable');
  await page.getByLabel('Password').fill(operatorPassword);
  await page.getByLabel('Code from your authenticator app').fill('000000');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await refused();
  await page.getByLabel('Code from your authenticator app').fill(generateSync({ secret }));
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** Somebody comes without a code, shows that the address is theirs, and signs in. */
export async function begins(
  page: Page,
  running: RunningStack,
  who: { name: string; email: string },
): Promise<void> {
  const password = 'lantern wicks for thirty herons';
  await page.goto('/new');
  await page.getByRole('button', { name: 'I don’t have my code with me' }).click();
  await page.getByLabel('Your name').fill(who.name);
  await page.getByLabel('E-mail address').fill(who.email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Send me the message' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Check your mail' })).toBeVisible();
  await page.goto(await addressIn(running, page, who.email, /^Finish setting up/));
  await page.getByRole('link', { name: 'Go to sign-in' }).click();
  await signIn(page, who.email, password);
}

/** Somebody comes in by a code, seeing first whose record it opens. */
export async function comesIn(
  page: Page,
  code: string,
  who: { name: string; email: string; child: string; school: string },
): Promise<void> {
  await page.goto(`/new#${code}`);
  await expect(page.getByText(who.child, { exact: true })).toBeVisible();
  await expect(page.getByText(who.school)).toBeVisible();
  await page.getByRole('button', { name: 'Yes, continue' }).click();
  await page.getByLabel('Your name').fill(who.name);
  await page.getByLabel('E-mail address').fill(who.email);
  await page.getByLabel('Password', { exact: true }).fill('lantern wicks for thirty herons');
  await page.getByRole('button', { name: 'Open my account' }).click();
}
