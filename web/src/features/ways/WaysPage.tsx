import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must } from '../../api/client';
import { KeyHelp } from '../../slate/keys/KeyHelp';
import { PageHead } from '../session/PageHead';
import { saveFile } from '../../ui/saveFile';
import { messageOf } from '../../ui/states';
import { currentLook, setLook, type Look } from '../../ui/theme';
import { PageTitle } from '../../ui/PageTitle';
import { Choice } from '../../ui/Choice';

const looks: readonly (readonly [Look, string, string])[] = [
  ['slate', 'slate', 'Dark, between paper margins; the margins go dark where this machine asks for it.'],
  ['bright', 'paper white', 'For projectors and bright rooms.'],
];

/** One's own ways: how it looks, which keys do what, and what is kept of one. */
export default function WaysPage() {
  const [look, setShown] = useState(currentLook);
  const [keys, setKeys] = useState(false);
  const data = useMutation({
    mutationFn: async () => saveFile('my data.json', JSON.stringify(await must(api.GET('/api/session/data')), null, 2)),
  });
  return (
    <>
      <PageHead />
      <main className="page-body">
        <PageTitle title="Your ways" />
        <h1>Your ways</h1>
        <div className="mt-6">
          <Choice
            titled
            label="The slate"
            value={look}
            choices={looks}
            onChoose={(name) => (setLook(name), setShown(name))}
          />
        </div>
        <h2 className="mt-7">Keys</h2>
        <p className="mt-1">
          Everything on the slate has a key, and each can be another one in this browser.{' '}
          <button className="word-button" onClick={() => setKeys(true)}>
            look at the keys
          </button>
        </p>
        <h2 className="mt-7">Your data</h2>
        <p className="mt-1">
          Everything that is kept of you, as one file in an open format.{' '}
          <button className="word-button" disabled={data.isPending} onClick={() => data.mutate()}>
            {data.isPending ? 'gathering it …' : 'save it'}
          </button>
        </p>
        {data.isError && (
          <p className="refusal" role="alert">
            {messageOf(data.error)}
          </p>
        )}
        <KeyHelp open={keys} onClose={() => setKeys(false)} />
      </main>
    </>
  );
}
