import type { AnswerValue, Language } from '@cadro/contract';

export interface AnswerFacts {
  /** Of the announcement. */
  readonly title: string;
  /** Who at the school gets it. */
  readonly receiver: string;
  readonly child: string;
  readonly author: string;
  readonly answer: AnswerValue;
  readonly note: string | null;
  /** Whether another answer went out before. */
  readonly changed: boolean;
}

interface Words {
  readonly greeting: (receiver: string) => string;
  readonly first: (child: string, title: string) => string;
  readonly changed: (child: string, title: string) => string;
  readonly yes: string;
  readonly no: string;
  readonly count: (count: number) => string;
  readonly form: string;
  readonly close: string;
}

const words: Readonly<Record<Language, Words>> = {
  en: {
    greeting: (receiver) => `Hello ${receiver},`,
    first: (child, title) => `This is our answer to “${title}”, about ${child}:`,
    changed: (child, title) => `Our answer to “${title}”, about ${child}, has changed. It is now:`,
    yes: 'Yes.',
    no: 'No.',
    count: (count) => (count === 0 ? 'None of us.' : `${count}.`),
    form: 'The form is on its way.',
    close: 'Thank you,',
  },
  es: {
    greeting: (receiver) => `Hola, ${receiver}:`,
    first: (child, title) => `Esta es nuestra respuesta a «${title}», sobre ${child}:`,
    changed: (child, title) => `Nuestra respuesta a «${title}», sobre ${child}, cambió. Ahora es:`,
    yes: 'Sí.',
    no: 'No.',
    count: (count) => (count === 0 ? 'Ninguno de nosotros.' : `${count}.`),
    form: 'El formulario va en camino.',
    close: 'Gracias,',
  },
};

function answerWords({ yes, no, count, form }: Words, answer: AnswerValue): string {
  switch (answer.kind) {
    case 'yes-no':
      return answer.yes ? yes : no;
    case 'choice':
      return answer.choice;
    case 'count':
      return count(answer.count);
    case 'line':
      return answer.line;
    case 'form':
      return form;
  }
}

/** An answer to an announcement as a short letter, in the language the announcement was written in. */
export function answerLetter(
  lang: Language,
  { title, receiver, child, author, answer, note, changed }: AnswerFacts,
): { subject: string; text: string } {
  const said = words[lang];
  const opening = (changed ? said.changed : said.first)(child, title);
  const paragraphs = [
    said.greeting(receiver),
    `${opening} ${answerWords(said, answer)}`,
    ...(note === null ? [] : [note]),
    `${said.close}\n${author}`,
  ];
  return { subject: `Re: ${title} – ${child}`.slice(0, 200), text: paragraphs.join('\n\n') };
}
