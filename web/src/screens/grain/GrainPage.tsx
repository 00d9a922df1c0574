import { Link, useNavigate, useParams } from "../../ui/route";
import { asTrouble, type GrainPage as Page, type School } from "../../api/client";
import { useGrainPage } from "../../api/queries";
import { Swatch } from "../../job/Hatch";
import { coatOf } from "../../job/grains";
import { minutes, quarters } from "../../job/words";
import { keyLook, Sheet, Wrong } from "../../ui/bits";
import { JustAPot } from "../bring/JustAPot";
import { OtherWay } from "./OtherWay";
import { choice as choiceStore, draft } from "../draft";
import { decimal } from "../../job/manner";
import { said } from "../../job/rim";

/** A page of one grain: how wet it can be, the schools, the sign, what to do before the pot. */
export function GrainPage() {
  const slug = useParams().slug ?? "";
  const page = useGrainPage(slug);
  const trouble = asTrouble(page.error);
  if (trouble)
    return (
      <div className="pt-10">
        <Wrong trouble={trouble} />
        <Link to="/grains" className={`mt-4 ${keyLook()}`}>
          To all grains
        </Link>
      </div>
    );
  return page.data ? <Shown g={page.data} /> : null;
}

function Shown({ g }: { g: Page }) {
  const others = Object.entries(g.names).filter(([, said]) => said !== g.name);
  return (
    <article className="pt-5">
      <Swatch slug={g.slug} family={g.family} className="h-16 w-full" />
      <div className="mt-4 grid gap-x-12 gap-y-6 min-[62.5rem]:grid-cols-[minmax(0,1fr)_360px]">
        <div>
          <h1 className="text-show first-letter:uppercase">{g.name}</h1>
          <p className="mt-1 text-body text-soft">
            {g.family}, {g.whole ? "whole" : "polished or cut"}
            {g.gluten ? ", with gluten" : ", without gluten of its own"}
            {g.quick && ", a quick kind: the packet knows its own minutes"}
          </p>
          {others.length > 0 && (
            <p className="mt-2 max-w-[70ch] text-body">
              {others.map(([lang, said], i) => (
                <span key={lang}>
                  {i > 0 && ", "}
                  <i lang={lang}>{said}</i>
                </span>
              ))}
            </p>
          )}
          <h2 className="mb-1 mt-7 text-head">One {g.measure_name} of it, and how much water</h2>
          <p className="mb-4 max-w-[66ch] text-small text-soft">
            All of these are right: the water follows the texture you want, not the grain. Reckoned for a pot{" "}
            {said("width", 20)} wide, with an ordinary lid, rinsed, unsoaked.
          </p>
          <Ladder g={g} />
          <h2 className="mb-2 mt-8 text-head">Just a pot of it</h2>
          <JustAPot grain={g.slug} amount={`1 ${g.measure_name}`} />
          {g.schools.length > 0 && <Schools g={g} />}
          <OtherWay g={g} />
        </div>
        <aside className="space-y-5 text-small">
          <Sheet className="p-5">
            <h2 className="text-body text-soft">It is done when</h2>
            <p className="mt-1 font-show text-lead leading-snug font-[620] tracking-[-0.01em]">{g.done_when}</p>
          </Sheet>
          <Facts g={g} />
          {g.sprouts && (
            <section>
              <h2 className="mb-1 text-body">Sprouted</h2>
              <ol className="m-0 list-decimal space-y-1 pl-5">
                {g.sprout
                  .filter((t, i, all) => all.findIndex((x) => x.what === t.what) === i)
                  .map((t) => (
                    <li key={t.what}>
                      {t.what}: {t.sign}
                      {t.what.startsWith("rinse") &&
                        `, ${g.sprout.filter((x) => x.what === t.what).length} times, morning and evening`}
                      {t.why && <span className="text-soft">; {t.why}</span>}
                    </li>
                  ))}
              </ol>
            </section>
          )}
          {g.mill && (
            <section className="pt-2">
              <h2 className="mb-1 text-body">A coarse meal of it, at home</h2>
              <p className="mb-1 text-soft">{g.mill.said}</p>
              <ol className="m-0 list-decimal space-y-1 pl-5">
                {g.mill.tasks.map((t) => (
                  <li key={t.what}>
                    {t.what}: {t.sign}
                    {t.why && <span className="text-soft">; {t.why}</span>}
                  </li>
                ))}
              </ol>
            </section>
          )}
          <section aria-label="Cautions" className="border-t border-line pt-3">
            <h2 className="mb-1 text-small text-warn">Mind</h2>
            <ul className="m-0 list-none space-y-1.5 p-0 text-small leading-snug">
              {g.cautions.map((c) => (
                <li key={c.code}>{c.text}</li>
              ))}
            </ul>
          </section>
        </aside>
      </div>
    </article>
  );
}

/** How wet the grain can be: one bar of water a texture, to scale. */
function Ladder({ g }: { g: Page }) {
  const most = Math.max(...g.ladder.map((p) => p.water.ratio_by_volume ?? 0));
  const { hue } = coatOf(g.slug, g.family);
  return (
    <table className="w-full border-collapse text-body">
      <caption className="sr-only">Water for each texture</caption>
      <thead className="sr-only">
        <tr>
          <th>texture</th>
          <th>water</th>
          <th>minutes</th>
        </tr>
      </thead>
      <tbody>
        {g.ladder.map((p) => (
          <tr key={p.texture} className="align-middle">
            <th scope="row" className="w-[80px] py-1.5 pr-2 text-left min-[47.5rem]:w-[92px] font-semibold">
              {p.texture_word}
            </th>
            <td className="py-1.5">
              <div className="flex items-center gap-2">
                <span aria-hidden className="flex h-8 min-w-0 flex-1">
                  <span
                    className="h-full rounded-l-[5px]"
                    style={{ width: `${(0.6 / (most + 0.6)) * 100}%`, background: hue }}
                  />
                  <span
                    className="h-full rounded-r-[5px] bg-water-pale"
                    style={{ width: `${((p.water.ratio_by_volume ?? 0) / (most + 0.6)) * 100}%` }}
                  />
                </span>
                <span className="figures w-[108px] shrink-0 min-[47.5rem]:w-[150px] text-right">
                  <strong className="font-show text-lead">{quarters(p.water.pour_said.amount)}</strong>{" "}
                  {p.water.pour_said.unit}
                  {p.water.pour_said.amount > 1 &&
                    p.water.pour_said.unit !== "ml" &&
                    (p.water.pour_said.unit.endsWith("s") ? "es" : "s")}
                </span>
              </div>
            </td>
            <td className="figures hidden w-[92px] py-1.5 pl-3 text-right text-soft min-[47.5rem]:table-cell">
              {p.time.cook.typical} min
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Schools({ g }: { g: Page }) {
  return (
    <section className="mt-8">
      <h2 className="mb-2 text-head">How cooks do it</h2>
      <ul className="m-0 list-none p-0">
        {g.schools.map((s) => (
          <SchoolRow key={s.slug} school={s} slug={g.slug} />
        ))}
      </ul>
    </section>
  );
}

function SchoolRow({ school: s, slug }: { school: School; slug: string }) {
  const go = useNavigate();
  const [now] = draft.use();
  const [choice, set] = choiceStore.use();
  const take = () => {
    set({ ...choice, ...schoolChoice(s), to: slug, blend: [] });
    go("/bench");
  };
  return (
    <li className="dotted flex flex-wrap items-center gap-x-5 gap-y-1 py-3">
      <div className="min-w-[240px] flex-1">
        <p className="text-body font-semibold">
          {s.name}
          {s.default && <span className="ml-2 rounded bg-water-pale px-1.5 py-0.5 text-fine font-normal">usual</span>}
        </p>
        <p className="text-small text-soft">
          For {s.suits}.{s.why && ` The usual way because ${s.why}.`}
        </p>
      </div>
      <p className="figures text-right text-small">
        one to <strong className="font-show text-lead">{decimal(s.pot.water.ratio_by_volume)}</strong>
        <span className="block text-small text-soft">
          {s.pot.texture_word}, {minutes(s.pot.time.total_min)}
          {s.pot.soak.min > 0 && ` after ${minutes(s.pot.soak.min)} in water`}
        </span>
      </p>
      {now.text.trim() !== "" && (
        <button
          type="button"
          onClick={take}
          className="min-h-11 rounded-key px-2 font-semibold text-water hover:underline"
        >
          on the bench
        </button>
      )}
    </li>
  );
}

/** A school as a choice: what it does not name goes back to the grain's own. */
export function schoolChoice(s: School) {
  const c = s.choice;
  return {
    soak_min: c.soak_min,
    roast: c.roast as "none" | "dry" | "fat" | null,
    texture: c.texture as "fluffy" | null,
    method: c.method,
    lid: c.lid as "sealed" | null,
    release: (c.release ?? "natural") as "natural" | "quick",
  };
}

function Facts({ g }: { g: Page }) {
  const fact = (term: string, is: string) => (
    <div className="dotted flex items-baseline justify-between gap-4 py-1.5">
      <dt className="text-soft">{term}</dt>
      <dd className="figures m-0 text-right font-semibold">{is}</dd>
    </div>
  );
  const within = (figure: string) => (g.range[figure] ? ` ± ${g.range[figure]} %` : "");
  return (
    <div>
      <dl className="m-0">
        {fact("At the boil, to fluffy", g.simmer_min ? `${g.simmer_min} min${within("simmer")}` : "steeped")}
        {fact("Rest, closed", g.rest_min ? `${g.rest_min} min` : "none")}
        {g.electric_min !== null && fact("Under pressure", `${g.electric_min} min`)}
        {g.whistles &&
          fact(
            "Whistles",
            g.whistles[0] === g.whistles[1] ? `${g.whistles[0]}` : `${g.whistles[0]} to ${g.whistles[1]}`,
          )}
        {fact(`One ${g.measure_name} weighs`, `${Math.round(g.measure_ml * g.density)} g${within("density")}`)}
        {fact("Rinse", g.rinse ? `${g.rinse} ${g.rinse === 1 ? "time" : "times"}` : "never")}
      </dl>
      <p className="mt-2 text-small text-soft">
        {g.rinse_why.charAt(0).toUpperCase() + g.rinse_why.slice(1)}.
        {g.roast_never && ` Not roasted: ${g.roast_never}.`} {g.keeping}
      </p>
      <p className="mt-2 text-small text-soft">
        Figures: {Object.values(g.basis).join(", ")}, rounded; kitchens differ by as much as is said.
      </p>
    </div>
  );
}
