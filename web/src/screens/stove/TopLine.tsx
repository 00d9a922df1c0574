import { BellRing, Mic, MicOff, Moon, Volume2, VolumeX } from "lucide-react";
import { answer, api, type CookState } from "../../api/client";
import { Button, Wrong } from "../../ui/bits";
import { callBy, say, useAudioAwake } from "./call";
import { type Cooking } from "./useCooking";

/** How late it is, who watches, and whether it calls. */
export function TopLine({
  cooking,
  state,
  clockAt,
  awake,
  id,
  openCall,
}: {
  cooking: Cooking;
  state: CookState;
  clockAt: (m: number) => string;
  awake: boolean;
  id: number;
  openCall: () => void;
}) {
  const [call, setCall] = callBy.use();
  const sounding = useAudioAwake();
  const late = Math.round(Math.max(state.serve.expected, cooking.minute) - state.serve.planned);
  const practice = (cooking.info?.speed ?? 1) > 1;
  const key = "grid h-14 w-14 place-items-center rounded-key border border-line";
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <p className="mr-auto min-w-0 leading-tight">
          <span className="figures font-show text-title font-bold">{clockAt(cooking.minute)}</span>
          <span className="block text-small text-soft">
            table at {clockAt(Math.max(state.serve.expected, cooking.minute))}
            {late > 0 && <strong className="text-warn"> +{late}</strong>}
            {practice && `, ${cooking.info?.speed ?? 1} times as fast`}
          </span>
        </p>
        {practice && (
          <Button
            className="min-h-14"
            aria-pressed={cooking.info?.alone}
            onClick={() =>
              void answer(
                api.PUT("/api/cookings/{cooking_id}/alone", {
                  params: { path: { cooking_id: id } },
                  body: { alone: !cooking.info?.alone },
                }),
              ).then(cooking.refresh)
            }
          >
            {cooking.info?.alone ? "Runs by itself" : "Let it run by itself"}
          </Button>
        )}
        <button
          type="button"
          className={key}
          aria-pressed={call.sound}
          aria-label={call.sound ? "Sound is on" : "Sound is off"}
          onClick={() => setCall({ ...call, sound: !call.sound })}
        >
          {call.sound ? <Volume2 size={22} /> : <VolumeX size={22} />}
        </button>
        <button
          type="button"
          className={key}
          aria-pressed={call.voice}
          aria-label={call.voice ? "Voice is on" : "Voice is off"}
          onClick={() => {
            setCall({ ...call, voice: !call.voice });
            if (!call.voice) say("I will say what is next.");
          }}
        >
          {call.voice ? <Mic size={22} /> : <MicOff size={22} />}
        </button>
        <button type="button" className={key} aria-label="How it calls" onClick={openCall}>
          <BellRing size={22} />
        </button>
      </div>
      {call.sound && !sounding && (
        <button
          type="button"
          className="mt-2 min-h-14 w-full rounded-key border-2 border-warn bg-warn-pale px-3 text-left text-body font-semibold"
        >
          Touch here once: until then this page may not make a sound.
        </button>
      )}
      <div className="mt-1 flex flex-wrap gap-x-4 text-small">
        {cooking.offline && (
          <p role="status" className="font-semibold text-warn">
            No network. Go on here:{" "}
            {cooking.waiting === 0
              ? "nothing is lost"
              : cooking.waiting === 1
                ? "1 touch waits"
                : `${cooking.waiting} touches wait`}
            .
          </p>
        )}
        {!awake && (
          <p className="flex items-center gap-1 text-soft">
            <Moon size={14} aria-hidden /> screen may sleep
          </p>
        )}
        {state.said.map((s) => (
          <p key={s} className="font-semibold">
            {s}
          </p>
        ))}
      </div>
      {cooking.trouble && <Wrong trouble={cooking.trouble} className="mt-2" />}
    </div>
  );
}
