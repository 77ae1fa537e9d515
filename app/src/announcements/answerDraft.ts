import type { Announcement, AnswerValue } from '@cadro/contract';

/** What is being answered, before it is a whole answer. */
export interface Drafted {
  readonly picked: string;
  readonly line: string;
}

/** The answer a draft comes to; null while there is none. */
export function answerOf(
  { wish }: Pick<Announcement, 'wish'>,
  { picked, line }: Drafted,
): AnswerValue | null {
  switch (wish.kind) {
    case 'yes-no':
      return picked === '' ? null : { kind: 'yes-no', yes: picked === 'yes' };
    case 'choice':
      return picked === '' ? null : { kind: 'choice', choice: picked };
    case 'count': {
      const count = Number(line);
      return /^\d{1,4}$/.test(line.trim()) && count <= (wish.most ?? 1000) ? { kind: 'count', count } : null;
    }
    case 'line':
      return line.trim() === '' ? null : { kind: 'line', line: line.trim() };
    case 'form':
      return { kind: 'form' };
    default:
      return null;
  }
}
