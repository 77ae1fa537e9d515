import { chromium } from 'playwright';
const [,, who, out, size, ...steps] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox','--disable-gpu'] });
const [w,h] = size.split('x').map(Number);
const p = await b.newPage({ viewport: { width: w, height: h }, locale: process.env.LOC ?? 'en-US' });
await p.goto('http://127.0.0.1:4711/sign-in');
await p.getByLabel(/E-mail|Correo/).fill(`${who}@aldervane.example`);
await p.getByLabel(/^(Password|Contraseña)/).fill('tide-and-lantern');
await p.getByRole('button', { name: /^(Sign in|Entrar|Iniciar sesión)$/ }).click();
await p.waitForURL(/brief|desk/);
await p.waitForTimeout(1500);
let n=0;
for (const s of steps) {
  const [kind, ...rest] = s.split('='); const v = rest.join('=');
  if (kind==='go') { await p.goto('http://127.0.0.1:4711'+v); await p.waitForTimeout(1500); }
  if (kind==='click') { await p.getByRole('button', { name: v }).first().click(); await p.waitForTimeout(600); }
  if (kind==='link') { await p.getByRole('link', { name: v }).first().click(); await p.waitForTimeout(1200); }
  if (kind==='radio') { await p.getByRole('radio', { name: v }).first().click(); await p.waitForTimeout(900); }
  if (kind==='tick') { await p.getByRole('checkbox', { name: v }).first().click(); await p.waitForTimeout(900); }
  if (kind==='fill') { const [l,t]=v.split('|'); await p.getByLabel(l).first().fill(t); }
  if (kind==='slide') { const x = p.getByRole('slider').nth(Number(v)); await x.focus(); for (let i=0;i<30;i++) await p.keyboard.press('ArrowRight'); await p.waitForTimeout(900); }
  if (kind==='scroll') { await p.mouse.move(w/2,h/2); await p.mouse.wheel(0, Number(v)); await p.waitForTimeout(500); }
  if (kind==='shot') { await p.screenshot({ path: `${out}${++n}.png` }); }
  if (kind==='full') { const hh = await p.evaluate(()=>Math.max(...[...document.querySelectorAll('*')].map(e=>e.scrollHeight))); await p.setViewportSize({width:w,height:Math.min(hh+150,4000)}); await p.waitForTimeout(600); await p.screenshot({ path: `${out}${++n}.png` }); await p.setViewportSize({width:w,height:h}); }
}
await b.close();
