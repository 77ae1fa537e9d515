import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { launchOptions } from './lib/chromium.mjs';
import { root } from './lib/steps.mjs';

/* Draws the icons of home screens from the mark: whole, and with room around it for screens that cut it to a shape. */
const { chromium } = createRequire(join(root, 'e2e', 'package.json'))('@playwright/test');
const mark = `data:image/svg+xml;base64,${readFileSync(join(root, 'app', 'public', 'mark.svg'), 'base64')}`;
/** Of a masked icon four fifths of the width are always seen. */
const icons = [
  { name: 'home-180', side: 180, width: '100%' },
  { name: 'home-192', side: 192, width: '100%' },
  { name: 'home-512', side: 512, width: '100%' },
  { name: 'masked-512', side: 512, width: '72%' },
];

const browser = await chromium.launch(launchOptions);
for (const { name, side, width } of icons) {
  const page = await browser.newPage({ viewport: { width: side, height: side } });
  await page.setContent(
    `<body style="margin:0;height:100vh;display:grid;place-items:center;background:#FAF6EE"><img src="${mark}" style="width:${width}">`,
  );
  await page.locator('img').evaluate((img) => img.decode());
  await page.screenshot({ path: join(root, 'app', 'public', 'icons', `${name}.png`) });
  await page.close();
}
await browser.close();
