import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useChildren } from '../household';
import { Heading, List, Loaded, RowLink, Words } from '../ui';
import { useTeachersQuery } from './api';
import type { Receiver } from './receiver';

/** Everybody at one child's school whom the family can turn to, each a way on. */
export function ReceiversOf({
  studentId,
  hrefOf,
  noteOf = () => [],
}: {
  studentId: string;
  hrefOf: (teacherId: string) => Href;
  /** What is to be said of one, beside what they do. */
  noteOf?: (receiver: Receiver) => readonly string[];
}) {
  const query = useTeachersQuery(studentId);
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {({ teachers }) => (
        <View>
          <Heading level={2}>{nameOf(studentId)}</Heading>
          <List>
            {teachers.map((receiver) => {
              const { id, name, courseTitles, answersFor } = receiver;
              const said = [
                ...(courseTitles.length > 0 ? courseTitles : answersFor ? [answersFor] : []),
                ...noteOf(receiver),
              ].join(' · ');
              return (
                <RowLink key={id} href={hrefOf(id)} label={said === '' ? name : `${name}. ${said}`}>
                  <Words bold>{name}</Words>
                  {said === '' ? null : (
                    <Words size="small" colour="soft">
                      {said}
                    </Words>
                  )}
                </RowLink>
              );
            })}
          </List>
        </View>
      )}
    </Loaded>
  );
}
