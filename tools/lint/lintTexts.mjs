import { text } from 'node:stream/consumers';
import { ESLint } from 'eslint';

/* Lints texts as if they stood in files: JSON of `{path, text}` on standard input, the messages of each on standard output. */
const cases = JSON.parse(await text(process.stdin));
const eslint = new ESLint();
const answers = [];
for (const { path, text: code } of cases) {
  const [result] = await eslint.lintText(code, { filePath: path });
  answers.push(result.messages.map(({ ruleId, message }) => ({ ruleId, message })));
}
process.stdout.write(JSON.stringify(answers));
