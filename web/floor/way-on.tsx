import type { TodayLine } from '../../core/floor/index.ts';
import { Said, useSend } from '../shell/index.ts';
import { Button, Notice } from '../ui/index.ts';

/** The way on that the evidence has opened, confirmed with one tap; a move of the level never is. */
export function WayOn({
  line,
  personId,
  mayConfirm,
}: {
  line: TodayLine;
  personId: string;
  mayConfirm: boolean;
}) {
  const confirm = useSend('confirm', { person: personId });
  if (!line.wayOnDue) return null;
  return (
    <div className="my-2 border-l-[6px] border-ink py-1 pl-3">
      <p className="font-semibold">
        The target has been met. Next here: <Said of={line.wayOn} />.
      </p>
      {line.wayOnBridge && (
        <p>
          <Said of={line.wayOnBridge} />
        </p>
      )}
      {mayConfirm && (
        <Button
          floor
          tone="main"
          disabled={confirm.isPending || confirm.isSuccess}
          onClick={() =>
            confirm.mutate({
              ladder: line.ladder,
              proposed: 'grow',
              chosen: 'grow',
              level: null,
              reason: '',
            })
          }
        >
          Yes: <Said of={line.wayOn} />
        </Button>
      )}
      {confirm.error && <Notice tone="warn">{confirm.error.message}</Notice>}
    </div>
  );
}
