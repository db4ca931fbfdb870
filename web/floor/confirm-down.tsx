import type { TodayLine } from '../../core/floor/index.ts';
import { Said, useSend } from '../shell/index.ts';
import { Button, Notice } from '../ui/index.ts';

/** Who covers somebody confirms a step back or a stop where the evidence asks for it; nothing else is theirs to decide. */
export function ConfirmDown({ line, personId }: { line: TodayLine; personId: string }) {
  const confirm = useSend('confirm', { person: personId });
  const { outcome } = line;
  if (outcome !== 'step back' && outcome !== 'stop and refer') return null;
  return (
    <div className="mb-3 border-l-[6px] border-warn bg-paper px-4 py-2">
      <p className="font-semibold">
        {outcome === 'step back' ? 'The evidence asks for a step back.' : 'The evidence says stop and refer.'}
      </p>
      <p>
        <Said of={line.reason} />
      </p>
      <Button
        floor
        tone="danger"
        disabled={confirm.isPending || confirm.isSuccess}
        onClick={() =>
          confirm.mutate({ ladder: line.ladder, proposed: outcome, chosen: outcome, level: null, reason: '' })
        }
      >
        {outcome === 'step back' ? 'Confirm the step back' : 'Confirm the stop'}
      </Button>
      {confirm.error && <Notice tone="warn">{confirm.error.message}</Notice>}
    </div>
  );
}
