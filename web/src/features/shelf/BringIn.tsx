import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { ForCohort } from './ForCohort';

/** Brings in an exercise as a folder of open files, packed into one. */
export function BringIn({ cohorts }: { cohorts: readonly Schemas['CohortReply'][] }) {
  const [open, setOpen] = useState(false);
  const [cohort, setCohort] = useState(cohorts[0]!.id);
  const [file, setFile] = useState<File | null>(null);
  const navigate = useNavigate();
  const bring = useMutation({
    mutationFn: (packed: File) =>
      must(
        api.POST('/api/exercises/folder', {
          params: { query: { cohort } },
          body: packed as never,
          bodySerializer: (body: unknown) => body as BodyInit,
          headers: { 'Content-Type': 'application/octet-stream' },
        }),
      ),
    onSuccess: ({ id }) => navigate(`/exercises/${id}`),
  });
  return (
    <>
      <button className="word-button main" onClick={() => setOpen(true)}>
        bring in a folder …
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="Bring in an exercise"
        actions={
          <button
            className="press-button"
            disabled={file === null || bring.isPending}
            onClick={() => file && bring.mutate(file)}
          >
            {bring.isPending ? 'bringing it in …' : 'Bring it in'}
          </button>
        }
      >
        <p>
          A folder of open files, packed as a ZIP file: what “take it out as a folder” gives, or one written by hand. It
          becomes a new exercise that nobody sees until it is published.
        </p>
        <label className="field mt-3">
          <span>File</span>
          <input
            type="file"
            accept=".zip,application/zip"
            onChange={({ target }) => (setFile(target.files?.[0] ?? null), bring.reset())}
          />
        </label>
        <ForCohort cohorts={cohorts} value={cohort} onChange={setCohort} />
        {bring.isError && (
          <p className="refusal mt-3" role="alert">
            {messageOf(bring.error)}
          </p>
        )}
      </Sheet>
    </>
  );
}
