import { useInfiniteQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { answer, api, asTrouble } from "../../api/client";
import { minutes } from "../../job/words";
import { Wrong } from "../../ui/bits";

const SHOWN = 10;

/** What can be made from one bag: every recipe of the house is looked through, a page at a time, the best so far on top. */
export function Dishes({ bagId, onTake }: { bagId: number; onTake: (recipeId: number) => void }) {
  const found = useInfiniteQuery({
    queryKey: ["larder", "dishes", bagId],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/larder/{bag_id}/dishes", { params: { path: { bag_id: bagId }, query: { page: pageParam } } }),
      ),
    initialPageParam: 1,
    getNextPageParam: (last) => (last.page < last.pages ? last.page + 1 : undefined),
    staleTime: 0,
  });
  const { hasNextPage, isFetching, fetchNextPage, error } = found;
  const pages = found.data?.pages ?? [];
  const have = pages.length;
  useEffect(() => {
    if (have > 0 && hasNextPage && !isFetching && !error) void fetchNextPage();
  }, [have, hasNextPage, isFetching, fetchNextPage, error]);
  const dishes = pages.flatMap((p) => p.dishes).sort((a, b) => b.rank - a.rank);
  const last = pages[pages.length - 1];
  const looking = isFetching || hasNextPage;
  return (
    <>
      <Wrong trouble={asTrouble(error)} className="mt-2" />
      <p role="status" className="mt-2 text-soft">
        {looking &&
          (last
            ? `Looked through ${Math.round((last.page / last.pages) * last.of)} of ${last.of} recipes…`
            : "Looking through your recipes…")}
        {!looking && last && dishes.length === 0 && "None of your recipes suits it; bring another."}
      </p>
      <ul className="m-0 mt-1 list-none p-0" aria-label="Dishes">
        {dishes.slice(0, SHOWN).map((d) => (
          <li key={d.recipe_id} className="dotted flex flex-wrap items-center gap-x-4 py-1">
            <button
              type="button"
              onClick={() => onTake(d.recipe_id)}
              className="min-h-11 text-left text-lead font-semibold text-water"
            >
              {d.title}
            </button>
            <span className="mr-auto text-soft">{d.reason}</span>
            <span className={`figures ${d.enough ? "" : "text-warn"}`}>
              {d.needs_g} g{!d.enough && ", more than is left"}, {minutes(d.minutes)}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
