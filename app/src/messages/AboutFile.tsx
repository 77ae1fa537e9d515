import { useTranslation } from 'react-i18next';
import { useChildren, useMeQuery, useOnFileQuery } from '../household';
import { Loaded, Page, Quiet } from '../ui';
import type { Drafting } from './Beginning';
import { fileDraft } from './draft';
import { Letter } from './Letter';

/** A letter to the office about what it has on file, with what stands there in it. */
export function AboutFile({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const query = useOnFileQuery(studentId);
  const { data: me } = useMeQuery();
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {(file) => {
        const { office } = file;
        if (!office)
          return (
            <Page>
              <Quiet>{t('file.noOffice')}</Quiet>
            </Page>
          );
        const who = { child: nameOf(studentId), guardian: me?.name ?? '' };
        const drafting: Drafting = (says, tone) => fileDraft(says, file, { name: office.name, tone }, who);
        const at = `studentId=${studentId}&about=file`;
        return (
          <Letter
            {...{ studentId, drafting, at }}
            teacher={{ ...office, contactable: true }}
            followUpId={null}
          />
        );
      }}
    </Loaded>
  );
}
