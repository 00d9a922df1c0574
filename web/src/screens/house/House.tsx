import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type Member, type Trouble } from "../../api/client";
import { useHomeChange, useMembers, useSession } from "../../api/queries";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";

const field = "mt-1 min-h-12 w-full rounded-key border border-line bg-quiet px-3 text-[17px] font-normal";

/** Who lives here, what is saved of it, and the end of it. */
export function House() {
  const session = useSession();
  return (
    <div className="pt-5">
      <h1 className="text-[27px]">{session.data?.household}</h1>
      <div className="mt-4 grid items-start gap-4 min-[900px]:grid-cols-2">
        <Members />
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
  const invite = useHomeChange(() => answer(api.POST("/api/members/invite")));
  const ask = () => invite.mutate(undefined, { onSuccess: (i) => setLink({ href: `${window.location.origin}/join/${i.token}`, until: i.until }) });
  return (
    <Sheet className="p-5" aria-label="Members">
      <h2 className="text-[21px]">Who cooks here</h2>
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
          <label className="block text-[15px] font-semibold">
            Give this link to one person; it works once, until {new Date(link.until).toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long" })}
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
  const set = useHomeChange(() => answer(api.PUT("/api/members/{member_id}/password", { params: { path }, body: { own_password: own, password } })));
  const drop = useHomeChange(() => answer(api.DELETE("/api/members/{member_id}", { params: { path } })));
  return (
    <li className="dotted py-1.5">
      <p className="flex flex-wrap items-center gap-x-2">
        <span className="mr-auto text-[17px] font-semibold">
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
          className="flex flex-wrap items-end gap-2 pb-1"
          onSubmit={(e) => {
            e.preventDefault();
            set.mutate(undefined, { onSuccess: () => { setMode(""); setPassword(""); setOwn(""); } });
          }}
        >
          <label className="flex-1 basis-44 text-[15px] font-semibold">
            Your own password now
            <input type="password" autoComplete="current-password" value={own} onChange={(e) => setOwn(e.target.value)} className={field} />
          </label>
          <label className="flex-1 basis-44 text-[15px] font-semibold">
            New password for {member.name}
            <input type="password" autoComplete="new-password" value={password} onChange={(e) => setPassword(e.target.value)} className={field} />
          </label>
          <Button kind="main" type="submit" className="min-h-12">
            Set it
          </Button>
        </form>
      )}
      {mode === "go" && (
        <p className="pb-1 text-[15px]">
          {member.name} can no longer sign in; the pots stay in the notebook.
          <Button kind="warn" onClick={() => drop.mutate(undefined)}>
            Yes, moves out
          </Button>
        </p>
      )}
      <Wrong trouble={asTrouble(set.error) ?? asTrouble(drop.error)} />
    </li>
  );
}

function Backup() {
  const client = useQueryClient();
  const [asked, setAsked] = useState<unknown>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [done, setDone] = useState("");
  const send = async (backup: unknown, replace: boolean) => {
    try {
      const { counts } = await answer(api.POST("/api/restore", { body: { backup: backup as Record<string, never>, replace } }));
      setDone(`Restored: ${counts.recipes ?? 0} recipes, ${counts.shifts ?? 0} shifts, ${counts.entries ?? 0} pages of the notebook.`);
      setTrouble(null);
      setAsked(null);
      await client.invalidateQueries();
    } catch (fault) {
      const said = asTrouble(fault);
      setAsked(said?.where === "replace" ? backup : null);
      setTrouble(said);
    }
  };
  const open = async (file: File) => {
    setDone("");
    try {
      await send(JSON.parse(await file.text()), false);
    } catch {
      setTrouble({ code: "backup", where: "backup", text: "This is no backup of Meal Shift: choose the JSON file you saved here." });
    }
  };
  return (
    <Sheet className="p-5" aria-label="Backup">
      <h2 className="text-[21px]">Backup</h2>
      <p className="mt-1 text-[16px]">Everything of this household in one file: recipes, shifts, notebook with photos, larder, kitchen. No passwords.</p>
      <div className="mt-3 flex flex-wrap gap-2">
        <a href="/api/backup.json" className={keyLook("main")}>
          Save a backup
        </a>
        <label className={`${keyLook()} cursor-pointer focus-within:outline focus-within:outline-2`}>
          Restore one
          <input type="file" accept=".json,application/json" className="sr-only" onChange={(e) => { const file = e.target.files?.[0]; e.target.value = ""; if (file) void open(file); }} />
        </label>
      </div>
      <Wrong trouble={trouble} className="mt-3" />
      {asked !== null && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button kind="warn" onClick={() => void send(asked, true)}>
            Let it take the place of what is here
          </Button>
          <Button kind="quiet" onClick={() => { setAsked(null); setTrouble(null); }}>
            No
          </Button>
        </div>
      )}
      {done && (
        <p role="status" className="mt-3 text-[16px] font-semibold">
          {done}
        </p>
      )}
    </Sheet>
  );
}

function End({ name }: { name: string }) {
  const client = useQueryClient();
  const [typed, setTyped] = useState("");
  const [own, setOwn] = useState("");
  const [open, setOpen] = useState(false);
  const drop = useHomeChange(() => answer(api.POST("/api/household/delete", { body: { own_password: own, name: typed } })));
  return (
    <Sheet className="p-5" aria-label="The end of it">
      <h2 className="text-[21px]">Delete this household</h2>
      <p className="mt-1 text-[16px]">All of it goes, for every member, and does not come back. Save a backup first.</p>
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
          <label className="block text-[15px] font-semibold">
            Type its name, {name}
            <input value={typed} onChange={(e) => setTyped(e.target.value)} className={field} />
          </label>
          <label className="mt-2 block text-[15px] font-semibold">
            Your password
            <input type="password" autoComplete="current-password" value={own} onChange={(e) => setOwn(e.target.value)} className={field} />
          </label>
          <Wrong trouble={asTrouble(drop.error)} className="mt-2" />
          <Button type="submit" className="mt-2 border-warn text-warn">
            Delete it for good
          </Button>
        </form>
      )}
    </Sheet>
  );
}
