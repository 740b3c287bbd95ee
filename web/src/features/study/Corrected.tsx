import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { moment } from '../../ui/time';
import { Differing } from '../../ui/TwoTexts';

type Correction = Schemas['CorrectedWording'];

/** How often one asks whether the wording was corrected. */
const askAgain = 10_000;

/** The wording as it was corrected since an answer was begun; null while it was not. */
export function useCorrection(answer: string): Correction | null {
  const wording = useQuery({
    queryKey: ['wording', answer],
    queryFn: () => must(api.GET('/api/study/answers/{id}/wording', { params: { path: { id: answer } } })),
    refetchInterval: askAgain,
    staleTime: 0,
  });
  return wording.data?.corrected ?? null;
}

/** Says at the head of the scenario that its wording was corrected, why, and what changed. */
export function Corrected({ correction }: { correction: Correction }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="corrected" role="alert">
      <p>
        <strong>The wording was corrected</strong>, {moment(correction.at)}: {correction.why}
      </p>
      <button className="word-button" onClick={() => setOpen(true)}>
        what changed
      </button>
      {open && (
        <Sheet open wide onClose={() => setOpen(false)} title="What changed in the wording">
          <p>
            Your answer was begun with the first of these and stays as it is; the scenario beside it shows the second.
          </p>
          <Differing
            mine={{ title: 'As it was', text: correction.before }}
            theirs={{ title: 'As it is now', text: correction.now }}
          />
        </Sheet>
      )}
    </div>
  );
}
