import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { ExampleTable } from '../../differences/ExampleTable';
import { wantedDrawing } from '../../parts/learned';
import { ownerOf } from '../../slate/figures/Figures';
import { readDrawing } from '../../drawing/format';
import { extent, layOut } from '../../geometry/scene';
import { StillSlate } from '../../slate/StillSlate';
import { PageHead } from '../session/PageHead';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';

/** One kind of finding: what it is, drawn as wanted and as it goes wrong, and the note that is written on it. */
export default function FindingPage() {
  const code = useParams().code!;
  const page = useQuery({
    queryKey: ['findings', code],
    queryFn: () => must(api.GET('/api/findings/{code}', { params: { path: { code } } })),
    staleTime: Infinity,
  });
  if (page.isPending) return <Loading what="this kind of finding" />;
  if (page.isError) return <FailedPage error={page.error} retry={() => void page.refetch()} />;
  const { kind, example, before, after } = page.data;
  const { note } = example;
  return (
    <>
      <PageHead />
      <main className="page-body wide" key={code}>
        <PageTitle title={kind.title} />
        <p className="text-quiet-ink">
          <Link className="word-button" to="/findings">
            kinds of findings
          </Link>{' '}
          · {kind.area}
        </p>
        <h1 className="mt-1">{kind.title}</h1>
        <p className="mt-2 max-w-[75ch] font-read text-[17px] leading-[1.5]">{kind.help}</p>
        <Pair example={example} />
        <section className="example-note" aria-label="The note">
          <p className="text-quiet-ink">Of {wantedDrawing(example.learned)}, the note says:</p>
          <h2>{note.headline}</h2>
          <p>{note.there}</p>
          <p>Wanted: {note.wanted}</p>
          <p className="mt-1">{note.why}</p>
          {note.example && <ExampleTable example={note.example} />}
        </section>
        <nav className="mt-6 flex justify-between gap-6" aria-label="Neighbours">
          <span>{before && <Step kind={before} says="before" />}</span>
          <span>{after && <Step kind={after} says="next" />}</span>
        </nav>
      </main>
    </>
  );
}

/** How wide a drawing may be, in pixels, to stand beside the other at its natural size; and the room around it. */
const besideWidth = 480;
const room = { width: 60, height: 110 };

/** The two drawings side by side, or one over the other where they are wide, so that they are read at their natural size. */
function Pair({ example }: { example: Schemas['ExamplePage'] }) {
  const { model, answer, note } = example;
  const sizes = useMemo(() => [model, answer].map(sizeOf), [model, answer]);
  const wide = sizes.some(({ width }) => width > besideWidth);
  const height = Math.max(...sizes.map((size) => size.height)) + room.height;
  return (
    <div className={`example-pair${wide ? ' over' : ''}`}>
      <Drawn title="As wanted" drawing={model} lit={note.modelElements} height={height} />
      <Drawn title="As it goes wrong" drawing={answer} lit={note.answerElements} height={height} />
    </div>
  );
}

function sizeOf(drawing: string) {
  const box = extent(layOut(readDrawing(drawing)));
  return { width: (box?.width ?? 0) + room.width, height: box?.height ?? 0 };
}

interface DrawnProps {
  title: string;
  drawing: string;
  lit: readonly string[];
  height: number;
}

function Drawn({ title, drawing, lit, height }: DrawnProps) {
  // An end is lit with its line: the end alone would be hard to find.
  const whole = useMemo(() => lit.flatMap((element) => [element, ownerOf(element)]), [lit]);
  return (
    <figure>
      <figcaption>{title}</figcaption>
      <div className="example-slate" style={{ height }}>
        <StillSlate drawing={drawing} label={title} lit={whole} />
      </div>
    </figure>
  );
}

const Step = ({ kind, says }: { kind: Schemas['FindingKindReply']; says: string }) => (
  <>
    {says}:{' '}
    <Link className="word-button" to={`/findings/${kind.code}`}>
      {kind.title}
    </Link>
  </>
);
