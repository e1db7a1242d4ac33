import { type Task, underWay } from "../api/tasks";
import { Button } from "./Button";
import { Care } from "./Care";
import { useNowOf } from "./useNow";

type Props = { task: Omit<Task, "given" | "result">; doing: string; stop: () => void };

/** Longer than this it waits because nothing works on tasks, or on something long. */
const LATE_SECONDS = 15;

/** How far long work is, with the way to stop it; why it ended where it came to nothing. */
export function Progress({ task, doing, stop }: Props) {
  if (task.state === "failed") return <Care role="alert">{task.fault?.text}</Care>;
  if (task.state === "stopped") return <p className="note">Stopped. Nothing was written.</p>;
  if (!underWay(task)) return null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1">
      <progress
        aria-label={doing}
        value={task.progress}
        max={1}
        className="h-5 w-full appearance-none border border-ink bg-paper-sunk [&::-moz-progress-bar]:bg-[url(../assets/grain-46.png)] [&::-webkit-progress-bar]:bg-paper-sunk [&::-webkit-progress-value]:bg-[url(../assets/grain-46.png)]"
      />
      <Button className="row-span-2" onClick={stop}>
        Stop
      </Button>
      <span className="note num" role="status">
        {task.state === "waiting" ? (
          <Waiting since={task.created_at} />
        ) : (
          `${doing}, ${Math.round(100 * task.progress)} %`
        )}
        {task.turn > 1 ? ", begun again" : ""}
        <span className="block">It goes on when you leave this page.</span>
      </span>
    </div>
  );
}

function Waiting({ since }: { since: string }) {
  const late = useNowOf((now) => now > Date.parse(since) / 1000 + LATE_SECONDS);
  if (!late) return "Waiting for its turn";
  return "Still waiting: nothing has taken it up yet. It is kept, and begins by itself";
}
