import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, sendFile, type Member, type Restored, type Trouble } from "../../api/client";
import { useMembers, useSession } from "../../api/queries";
import { allChanged, useChange } from "../../api/subjects";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { elsewhere, Field } from "../../ui/Field";
import { dated } from "../../job/manner";
import { Numbers } from "./Numbers";

const field = "mt-1 min-h-12 w-full rounded-key border border-line bg-quiet px-3 text-body font-normal";

/** Who lives here, what is saved of it, and the end of it. */
export function House() {
  const session = useSession();
  return (
    <div className="pt-5">
      <h1 className="text-title">{session.data?.household}</h1>
      <div className="mt-4 grid items-start gap-4 min-[56.25rem]:grid-cols-2">
        <div className="space-y-4">
          {session.data && <Numbers session={session.data} />}
          <Members />
          <Devices />
        </div>
        <div className="space-y-4">
          <Backup />
          <End name={session.data?.household ?? ""} />
        </div>
      </div>
    </div>
  );
}

function Members() {
  const members = useMembers();
  const [link, setLink] = useState<{ href: string; until: string } | null>(null);
  const invite = useChange("members", () => answer(api.POST("/api/members/invite")));
  const ask = () =>
    invite.mutate(undefined, {
      onSuccess: (i) => setLink({ href: `${window.location.origin}/join/${i.token}`, until: i.until }),
    });
  return (
    <Sheet className="p-5" aria-label="Members">
      <h2 className="text-head">Who cooks here</h2>
      <ul className="m-0 mt-1 list-none p-0">
        {members.data?.map((m) => (
          <One key={m.id} member={m} alone={members.data.length < 2} />
        ))}
      </ul>
      <Wrong trouble={asTrouble(members.error) ?? asTrouble(invite.error)} className="mt-2" />
      <Button className="mt-3" onClick={ask}>
        Ask somebody in
      </Button>
      {link && (
        <div className="mt-3" role="status">
          <label className="block text-small font-semibold">
            Give this link to one person; it works once, until{" "}
            {dated(new Date(link.until), { weekday: "long", day: "numeric", month: "long" })}
            <input readOnly value={link.href} onFocus={(e) => e.target.select()} className={field} />
          </label>
        </div>
      )}
    </Sheet>
  );
}

function One({ member, alone }: { member: Member; alone: boolean }) {
  const path = { member_id: member.id };
  const [mode, setMode] = useState<"" | "password" | "go">("");
  const [password, setPassword] = useState("");
  const [own, setOwn] = useState("");
  const set = useChange("members", () =>
    answer(api.PUT("/api/members/{member_id}/password", { params: { path }, body: { own_password: own, password } })),
  );
  const trouble = asTrouble(set.error);
  const drop = useChange("members", () => answer(api.DELETE("/api/members/{member_id}", { params: { path } })));
  return (
    <li className="dotted py-1.5">
      <p className="flex flex-wrap items-center gap-x-2">
        <span className="mr-auto text-body font-semibold">
          {member.name}
          {member.me && <span className="font-normal text-soft">, you</span>}
        </span>
        <Button kind="quiet" onClick={() => setMode(mode === "password" ? "" : "password")}>
          New password
        </Button>
        {!alone && !member.me && (
          <Button kind="quiet" onClick={() => setMode(mode === "go" ? "" : "go")}>
            Moves out
          </Button>
        )}
      </p>
      {mode === "password" && (
        <form
          className="flex flex-wrap items-start gap-2 pb-1"
          onSubmit={(e) => {
            e.preventDefault();
            set.mutate(undefined, {
              onSuccess: () => {
                setMode("");
                setPassword("");
                setOwn("");
              },
            });
          }}
        >
          <Field
            className="flex-1 basis-44"
            name="own_password"
            label="Your own password now"
            type="password"
            autoComplete="current-password"
            trouble={trouble}
            value={own}
            onChange={(e) => setOwn(e.target.value)}
          />
          <Field
            className="flex-1 basis-44"
            name="password"
            label={`New password for ${member.name}`}
            type="password"
            autoComplete="new-password"
            trouble={trouble}
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
          <Button kind="main" type="submit" className="mt-7 min-h-12">
            Set it
          </Button>
        </form>
      )}
      {mode === "go" && (
        <p className="pb-1 text-small">
          {member.name} can no longer sign in; the pots stay in the notebook.
          <Button kind="warn" onClick={() => drop.mutate(undefined)}>
            Yes, moves out
          </Button>
        </p>
      )}
      <Wrong trouble={elsewhere(trouble, "own_password", "password") ?? asTrouble(drop.error)} />
    </li>
  );
}

function Backup() {
  return (
    <Sheet className="p-5" aria-label="Backup">
      <h2 className="text-head">Backup</h2>
      <p className="mt-1 text-body">
        Everything of this household in one file: recipes, shifts, notebook with photos, larder, kitchen. No passwords.
      </p>
      <Save />
      <Restore />
    </Sheet>
  );
}

/** Where one is signed in: another device is ended from here. */
function Devices() {
  const found = useQuery({
    queryKey: ["members", "sessions"],
    queryFn: () => answer(api.GET("/api/sessions")),
    staleTime: 0,
  });
  const end = useChange("members", (signed_in_id: number) =>
    answer(api.DELETE("/api/sessions/{signed_in_id}", { params: { path: { signed_in_id } } })),
  );
  return (
    <Sheet className="p-5" aria-label="Signed in">
      <h2 className="text-head">Where you are signed in</h2>
      <ul className="m-0 mt-2 list-none p-0">
        {found.data?.map((x) => (
          <li key={x.id} className="dotted flex min-h-12 items-center gap-3">
            <span className="mr-auto">
              <strong>{x.device}</strong>{" "}
              <span className="text-soft">
                {x.here ? "here" : `last seen ${dated(new Date(x.seen), { day: "numeric", month: "long" })}`}
              </span>
            </span>
            {!x.here && (
              <Button kind="quiet" aria-label={`End it: ${x.device}`} onClick={() => end.mutate(x.id)}>
                End it
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Wrong trouble={asTrouble(found.error) ?? asTrouble(end.error)} className="mt-2" />
    </Sheet>
  );
}

/** The file is asked for with one's own password; the link to it opens for a minute. */
function Save() {
  const session = useSession();
  const [open, setOpen] = useState(false);
  const [own, setOwn] = useState("");
  const ask = useChange([], () => answer(api.POST("/api/backup", { body: { own_password: own } })));
  const save = () =>
    ask.mutate(undefined, {
      onSuccess: ({ href }) => {
        setOpen(false);
        setOwn("");
        window.location.assign(href);
      },
    });
  if (!open) {
    // who came in by the demo's door has no password to be asked for
    return (
      <>
        <Button
          kind="main"
          className="mr-2 mt-3"
          onClick={() => (session.data?.has_password === false ? save() : setOpen(true))}
        >
          Save a backup
        </Button>
        <Wrong trouble={asTrouble(ask.error)} className="mt-2" />
      </>
    );
  }
  return (
    <form
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <Field
        name="own_password"
        label="Your password, to save it all"
        type="password"
        autoComplete="current-password"
        trouble={asTrouble(ask.error)}
        value={own}
        onChange={(e) => setOwn(e.target.value)}
      />
      <Wrong trouble={elsewhere(asTrouble(ask.error), "own_password")} className="mt-2" />
      <Button kind="main" type="submit" className="mt-2">
        Save the file
      </Button>
    </form>
  );
}

/** idle · sending: how much of the file is there · reading: all of it is, and it is being put in · asked: it would take the place of something. */
type Restoring =
  | { at: "idle" }
  | { at: "sending"; share: number }
  | { at: "reading" }
  | { at: "asked"; file: File }
  | { at: "done"; said: string };

function Restore() {
  const client = useQueryClient();
  const [now, setNow] = useState<Restoring>({ at: "idle" });
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const send = async (file: File, replace: boolean) => {
    setTrouble(null);
    setNow({ at: "sending", share: 0 });
    const form = new FormData();
    form.set("backup", file);
    form.set("replace", String(replace));
    try {
      const { counts } = await sendFile<Restored>("/api/restore", form, (share) =>
        setNow(share < 1 ? { at: "sending", share } : { at: "reading" }),
      );
      setNow({
        at: "done",
        said: `Restored: ${counts.recipes ?? 0} recipes, ${counts.shifts ?? 0} shifts, ${counts.entries ?? 0} pages of the notebook.`,
      });
      await allChanged(client);
    } catch (fault) {
      const said = asTrouble(fault);
      setNow(said?.where === "replace" ? { at: "asked", file } : { at: "idle" });
      setTrouble(said);
    }
  };
  const busy = now.at === "sending" || now.at === "reading";
  return (
    <>
      <label
        className={`${keyLook()} mt-3 cursor-pointer focus-within:outline focus-within:outline-2 ${busy ? "opacity-60" : ""}`}
      >
        Restore one
        <input
          type="file"
          accept=".jsonl,.json,application/json"
          disabled={busy}
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) void send(file, false);
          }}
        />
      </label>
      {busy && (
        <div className="mt-3" role="status">
          <p className="text-body">
            {now.at === "sending"
              ? "On its way…"
              : "All of it is here; it is read and put in its place. Leave this page open."}
          </p>
          <progress
            className="mt-1 h-3 w-full accent-water"
            aria-label="How much of the file is sent"
            max={1}
            value={now.at === "sending" ? now.share : undefined}
          />
        </div>
      )}
      <Wrong trouble={trouble} className="mt-3" />
      {now.at === "asked" && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button kind="warn" onClick={() => void send(now.file, true)}>
            Let it take the place of what is here
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              setNow({ at: "idle" });
              setTrouble(null);
            }}
          >
            No
          </Button>
        </div>
      )}
      {now.at === "done" && (
        <p role="status" className="mt-3 text-body font-semibold">
          {now.said}
        </p>
      )}
    </>
  );
}

function End({ name }: { name: string }) {
  const client = useQueryClient();
  const [typed, setTyped] = useState("");
  const [own, setOwn] = useState("");
  const [open, setOpen] = useState(false);
  const drop = useChange("members", () =>
    answer(api.POST("/api/household/delete", { body: { own_password: own, name: typed } })),
  );
  const trouble = asTrouble(drop.error);
  return (
    <Sheet className="p-5" aria-label="The end of it">
      <h2 className="text-head">Delete this household</h2>
      <p className="mt-1 text-body">All of it goes, for every member, and does not come back. Save a backup first.</p>
      {!open ? (
        <Button kind="warn" className="mt-1 -ml-3" onClick={() => setOpen(true)}>
          Delete it
        </Button>
      ) : (
        <form
          className="mt-2"
          onSubmit={(e) => {
            e.preventDefault();
            drop.mutate(undefined, { onSuccess: () => void client.resetQueries() });
          }}
        >
          <Field
            name="name"
            label={`Type its name, ${name}`}
            trouble={trouble}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Field
            className="mt-2"
            name="own_password"
            label="Your password"
            type="password"
            autoComplete="current-password"
            trouble={trouble}
            value={own}
            onChange={(e) => setOwn(e.target.value)}
          />
          <Wrong trouble={elsewhere(trouble, "name", "own_password")} className="mt-2" />
          <Button type="submit" className="mt-2 border-warn text-warn">
            Delete it for good
          </Button>
        </form>
      )}
    </Sheet>
  );
}
