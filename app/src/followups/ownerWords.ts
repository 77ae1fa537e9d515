import type { TFunction } from 'i18next';
import type { FollowUpSummary } from '@cadro/contract';

/** Who has it, and who asked them, in one line: 'Tobiah has it; Maren asked'. */
export function ownerWords(
  t: TFunction,
  { owner, asked }: Pick<FollowUpSummary, 'owner' | 'asked'>,
  child: string,
): string {
  if (owner.kind === 'everyone') return t('followUp.has.everyone');
  if (owner.kind === 'child') return t('followUp.has.child', { child });
  const { name } = owner;
  if (asked === null) return t('followUp.has.guardian', { name });
  return t(asked.state === 'asked' ? 'followUp.has.asked' : 'followUp.has.accepted', { name, by: asked.by });
}
