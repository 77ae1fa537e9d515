import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { WayIn } from '@cadro/contract';
import { isServerProblem } from '../../i18n';
import { useAppSelector } from '../../store';
import { Action, LinkAction, Quietly, Stack, Words } from '../../ui';
import { useComeLaterMutation, useComeMutation, useLookAtCodeMutation } from './api';
import { useMeQuery } from '../api';
import { forgetDoor, rememberDoor, rememberedDoor, useCarried } from './carried';
import { CodeField, isCode } from './CodeField';
import { DoorFrame } from './DoorFrame';
import { PersonForm, type Person } from './PersonForm';
import { Trouble } from './Trouble';
import { Whose } from './Whose';

/** Whom one may have a code from. */
function Origins() {
  const { t } = useTranslation();
  return (
    <Stack space={0.5}>
      {(['fromSchool', 'fromGuardian', 'fromChild'] as const).map((from) => (
        <Words key={from} size="small" colour="soft">
          {t(`door.${from}`)}
        </Words>
      ))}
    </Stack>
  );
}

/** The code, and where one may have it from. */
function CodeStep({
  code,
  onCode,
  onWay,
  onLater,
}: {
  code: string;
  onCode: (code: string) => void;
  onWay: (way: WayIn) => void;
  onLater: () => void;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const carried = useCarried();
  const [look, { isLoading, error }] = useLookAtCodeMutation();
  const ask = async (text: string) => {
    const answer = await look(text);
    if (answer.data) onWay(answer.data);
  };
  // The letter's own address brings its code along.
  useEffect(() => {
    if (carried === '') return;
    onCode(carried);
    void ask(carried);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, with what the address brought
  }, []);
  const submit = () => void ask(code);
  return (
    <DoorFrame title={t('door.title')} lead={t('door.lead')}>
      <Stack space={2}>
        <CodeField value={code} onChange={onCode} onSubmit={submit} />
        <Trouble error={error} />
        <Action main label={t('door.look')} onPress={submit} busy={isLoading} disabled={!isCode(code)} />
        <Origins />
        <Stack space={0}>
          <Quietly label={t('door.noCode')} onPress={onLater} />
          <Quietly label={t('door.haveAccount')} onPress={() => router.push('/sign-in')} />
        </Stack>
      </Stack>
    </DoorFrame>
  );
}

/** Who it is that comes, by a code whose record has been seen. */
function WhoStep({ way, code }: { way: WayIn; code: string }) {
  const { t } = useTranslation();
  const language = useAppSelector((state) => state.prefs.language);
  const [come, { isLoading, error }] = useComeMutation();
  const kept = rememberedDoor();
  const known = isServerProblem(error) && error.problem?.code === 'address-known';
  return (
    <DoorFrame title={t('door.whoTitle')} lead={way.children.map(({ givenName }) => givenName).join(', ')}>
      <PersonForm
        first={{ name: kept.name, email: kept.email || (way.email ?? '') }}
        go={t('door.make')}
        keeps
        busy={isLoading}
        error={error}
        onGo={(person) => void come({ ...person, code, language })}
      />
      {known ? (
        <Stack space={0.5}>
          <Words>{t('door.knownLead')}</Words>
          <LinkAction label={t('door.toSignIn')} href={{ pathname: '/sign-in', params: { to: '/link' } }} />
        </Stack>
      ) : null}
    </DoorFrame>
  );
}

/** Without a code: a mail, and the child later. */
function LaterStep({ onBack }: { onBack: () => void }) {
  const { t } = useTranslation();
  const language = useAppSelector((state) => state.prefs.language);
  const [later, { isLoading, error }] = useComeLaterMutation();
  const [sentTo, setSentTo] = useState<string | null>(null);
  const go = async ({ name, email, password }: Person) => {
    const answer = await later({ name, email, password, language });
    if (!('error' in answer)) setSentTo(email);
  };
  if (sentTo !== null)
    return (
      <DoorFrame title={t('door.sentTitle')} lead={t('door.sentLead', { email: sentTo })}>
        <Words size="small" colour="soft">
          {t('door.sentHint')}
        </Words>
        <LinkAction main label={t('door.toSignIn')} href="/sign-in" />
        <Quietly label={t('door.sentAgain')} onPress={() => setSentTo(null)} />
      </DoorFrame>
    );
  const { name, email } = rememberedDoor();
  return (
    <DoorFrame title={t('door.laterTitle')} lead={t('door.laterLead')}>
      <PersonForm
        first={{ name, email }}
        go={t('door.ask')}
        keeps={false}
        busy={isLoading}
        error={error}
        onGo={(person) => void go(person)}
      />
      <Quietly label={t('shell.back')} onPress={onBack} />
    </DoorFrame>
  );
}

/** Where a family begins: whose record it is about first, then an account. */
export function NewHere() {
  const { t } = useTranslation();
  const router = useRouter();
  const { data: me } = useMeQuery();
  const [code, setCode] = useState(rememberedDoor().code);
  const [way, setWay] = useState<WayIn | null>(null);
  const [step, setStep] = useState<'code' | 'whose' | 'who' | 'later'>('code');
  useEffect(() => {
    if (!me) return;
    // Who is signed in already adds the child that the code is for.
    const to = step === 'code' && rememberedDoor().code !== '' ? '/link' : '/brief';
    if (to === '/brief') forgetDoor();
    router.replace(to);
  }, [me, router, step]);
  const type = (text: string) => {
    setCode(text);
    rememberDoor({ code: text });
  };
  if (step === 'later') return <LaterStep onBack={() => setStep('code')} />;
  if (way && step === 'who') return <WhoStep way={way} code={code} />;
  if (way && step === 'whose')
    return (
      <DoorFrame title={t('door.title')}>
        <Whose way={way} yes={t('door.yes')} onYes={() => setStep('who')} onBack={() => setStep('code')} />
      </DoorFrame>
    );
  const seen = (found: WayIn) => {
    setWay(found);
    setStep('whose');
  };
  return <CodeStep code={code} onCode={type} onWay={seen} onLater={() => setStep('later')} />;
}
