import type { Language } from '@cadro/contract';

/** What mail and text messages say beside the alerts themselves. */
interface LetterWords {
  readonly open: string;
  readonly why: string;
  readonly next: string;
  readonly all: string;
  readonly less: string;
  readonly stop: string;
  readonly source: (source: string) => string;
  readonly test: { readonly subject: string; readonly text: string };
  readonly digest: string;
  /** On a device that may be locked: that there is something, or about whom. */
  readonly pushed: { readonly something: string; readonly about: (child: string) => string };
  /** A text message that shows that a number is theirs. */
  readonly phoneCode: (code: string) => string;
}

export const letterWords: Readonly<Record<Language, LetterWords>> = {
  en: {
    open: 'Open it in Cadro',
    why: 'Why you got this',
    next: 'Next step',
    all: 'See everything in Cadro',
    less: 'Fewer like this',
    stop: 'Stop all mail from Cadro',
    source: (source) => `From ${source}.`,
    test: {
      subject: 'A test from Cadro',
      text: 'This is how messages from Cadro look. This one is only a test.',
    },
    digest: 'Digest',
    pushed: { something: 'There’s news from school.', about: (child) => `There’s news about ${child}.` },
    phoneCode: (code) =>
      `Cadro: ${code} is your code. It works for 15 minutes. If you didn’t ask for it, ignore this text.`,
  },
  es: {
    open: 'Abrirlo en Cadro',
    why: 'Por qué le llegó',
    next: 'Siguiente paso',
    all: 'Ver todo en Cadro',
    less: 'Menos avisos así',
    stop: 'Detener todo el correo de Cadro',
    source: (source) => `De ${source}.`,
    test: {
      subject: 'Una prueba de Cadro',
      text: 'Así se ven los mensajes de Cadro. Este es solo una prueba.',
    },
    digest: 'Informe',
    pushed: { something: 'Hay novedades de la escuela.', about: (child) => `Hay novedades sobre ${child}.` },
    phoneCode: (code) =>
      `Cadro: su código es ${code}. Sirve durante 15 minutos. Si usted no lo pidió, ignore este mensaje.`,
  },
};
