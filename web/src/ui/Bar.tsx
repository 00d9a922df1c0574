import { useEffect } from "react";
import { useLocation } from "./route";
import { TroubleError } from "../api/client";
import { sayTrouble, settle, useTold } from "./gone";

/** One line at the foot: what was thrown away and may be taken back, or a trouble that has no place of its own. */
export function Bar() {
  const told = useTold();
  const { pathname } = useLocation();
  // who goes on to cook means it, and needs the foot of the page
  const cooks = /^\/(?:bench|plan|stove)\b/.test(pathname);
  useEffect(() => {
    if (cooks) void settle();
  }, [cooks]);
  useEffect(() => {
    const left = () => {
      if (document.visibilityState === "hidden") void settle();
    };
    const lost = (e: PromiseRejectionEvent) => {
      if (e.reason instanceof TroubleError) {
        e.preventDefault();
        sayTrouble(e.reason);
      }
    };
    document.addEventListener("visibilitychange", left);
    window.addEventListener("pagehide", left);
    window.addEventListener("unhandledrejection", lost);
    return () => {
      document.removeEventListener("visibilitychange", left);
      window.removeEventListener("pagehide", left);
      window.removeEventListener("unhandledrejection", lost);
    };
  }, []);
  return (
    <div
      role={told && !told.undo ? "alert" : "status"}
      className="fixed inset-x-0 bottom-0 z-50 flex justify-center px-3 pb-[max(12px,env(safe-area-inset-bottom))] empty:hidden"
    >
      {told && (
        <p
          className={`flex max-w-full items-center gap-x-1 rounded-key bg-ink py-1 pl-4 pr-1 text-body text-sheet shadow-jug ${told.undo ? "" : "outline outline-2 outline-warn"}`}
        >
          <span className="min-w-0 py-1.5 leading-snug">{told.said}</span>
          {told.undo && (
            <button
              type="button"
              onClick={told.undo}
              className="min-h-11 rounded-key px-3 font-bold underline underline-offset-4"
            >
              Undo
            </button>
          )}
          <button
            type="button"
            aria-label="Put this aside"
            onClick={() => void settle()}
            className="grid h-11 w-11 shrink-0 place-items-center rounded-key text-lead"
          >
            ×
          </button>
        </p>
      )}
    </div>
  );
}
