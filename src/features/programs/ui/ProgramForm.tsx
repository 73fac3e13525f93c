'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ProgramStage } from '@/core';
import { useHydrated } from '@/ui/hydrated';
import { useShow } from '@/ui/show-context';
import { problemWords } from '@/words/problems';
import { Said } from '@/ui/status';
import { saveProgramAction } from '../actions';
import { readStage, stageText } from '../stage-text';
import { ProgramCurve } from './ProgramCurve';
import { StageEditor } from './StageEditor';
import { TextField } from '@/ui/text-field';

const SAY: Record<string, string> = {
  edited_meanwhile:
    'Somebody saved a newer version meanwhile. Your writing stands here: open the program in another window, compare, and write yours into it.',
  name_taken: 'Another program has this name. Give this one its own.',
  not_allowed: 'Your role does not allow this. A formulator writes programs.',
  signed_out: 'You are signed out. Sign in in another window, then save again.',
};

/** Writes a stage program: stages with their ends, drawn as a curve meanwhile, saved as a new version. */
export function ProgramForm({
  programId,
  basedOn,
  name: startName,
  stages: start,
}: {
  programId: string | null;
  basedOn: number;
  name: string;
  stages: ProgramStage[];
}) {
  const { system } = useShow().settings;
  const router = useRouter();
  const ready = useHydrated();
  const [name, setName] = useState(startName);
  const [reason, setReason] = useState(basedOn === 0 ? 'First version' : '');
  const [texts, setTexts] = useState(() => start.map((s) => stageText(s, system)));
  const [shown, setShown] = useState(false);
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const read = texts.map((t) => readStage(t, system));
  const stages = read.flatMap((r) => (r.stage ? [r.stage] : []));
  const whole = stages.length === texts.length;
  const save = async () => {
    setShown(true);
    if (!whole) return setMessage('Some figures are not right yet; each says what is wrong.');
    setBusy(true);
    const answer = await saveProgramAction({
      ...(programId ? { programId } : {}),
      basedOn,
      name,
      reason,
      stages,
    });
    setBusy(false);
    if (answer.ok) return router.push('/bench/programs');
    setMessage(SAY[answer.code] ?? problemWords(answer.code, answer.fields));
  };
  return (
    <form
      className="space-y-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <div className="sheet grid gap-3 sm:grid-cols-2">
        <TextField label="Name" value={name} onChange={(e) => setName(e.target.value)} />
        <TextField label="What is new" value={reason} onChange={(e) => setReason(e.target.value)} />
      </div>
      {stages.length > 0 && (
        <section className="sheet" aria-label="Curve">
          <ProgramCurve stages={stages} />
        </section>
      )}
      <section className="sheet" aria-label="Stages">
        <StageEditor
          stages={texts}
          onChange={setTexts}
          problems={read.map((r) => (shown || r.problems.length > 0 ? r.problems : []))}
        />
      </section>
      <Said text={message} />
      <button className="button-main min-h-14 text-lg" disabled={busy || !ready}>
        Save as version {basedOn + 1}
      </button>
    </form>
  );
}
