import type { Arrival } from '../simulation';

const channelNames: Readonly<Record<Arrival['channel'], string>> = {
  mail: 'Mail',
  text: 'Text message',
  push: 'Notification',
};

const escaped = (text: string): string =>
  text.replace(
    /[&<>"]/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign,
  );

const at = (instant: string): string => `${instant.slice(0, 10)} ${instant.slice(11, 16)} UTC`;

/** A mail as a mail program would show it: nothing in it runs, and its links open by themselves. */
const shown = (subject: string, html: string): string =>
  `<iframe sandbox="allow-popups allow-popups-to-escape-sandbox" title="${escaped(subject)}" srcdoc="${escaped(html.replace('<head>', '<head><base target="_blank">'))}"></iframe>`;

function message({ channel, to, subject, text, html, headers, receivedAt }: Arrival): string {
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}`);
  const body = html
    ? `${shown(subject, html)}
       <details><summary>As plain text</summary><pre>${escaped(text)}</pre></details>`
    : `<p class="text">${escaped(text)}</p>`;
  return `<article>
    <h2>${escaped(subject || (channel === 'mail' ? 'Without a subject' : channelNames[channel]))}</h2>
    <p>${channelNames[channel]} to ${escaped(to)}, ${at(receivedAt)}</p>
    ${body}
    ${lines.length > 0 ? `<details><summary>Headers</summary><pre>${escaped(lines.join('\n'))}</pre></details>` : ''}
  </article>`;
}

/** What has reached the families of the demo, newest first, as a page to look at. */
export const arrivedPage = (arrivals: readonly Arrival[]): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>What arrived</title>
<style>
  body { font: 16px/1.5 system-ui, sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem; color: #152238; background: #faf7f0 }
  article { border-top: 1px solid #ddd5c5; padding: 1rem 0 }
  h1, h2 { font-weight: 600; margin: 0 } h2 { font-size: 1.1rem }
  iframe { width: 100%; height: 30rem; border: 1px solid #ddd5c5; background: #fff }
  .text { background: #fff; border: 1px solid #ddd5c5; padding: .75rem; white-space: pre-wrap }
  pre { white-space: pre-wrap; overflow-wrap: anywhere; font-size: .85rem }
</style></head>
<body><h1>What arrived</h1>
<p>Mail, text messages and notifications of the demo: ${arrivals.length}. The newest stands first.</p>
${[...arrivals].reverse().map(message).join('\n')}
</body></html>
`;
