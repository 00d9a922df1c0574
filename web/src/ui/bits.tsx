import type { ButtonHTMLAttributes, ReactNode } from "react";
import type { Trouble } from "../api/client";

type Kind = "main" | "plain" | "quiet" | "warn";
const KINDS: Record<Kind, string> = {
  main: "bg-water text-on-water font-semibold px-5 hover:brightness-110",
  plain: "border border-line bg-sheet text-ink px-4 hover:border-water",
  quiet: "text-water font-semibold px-3 hover:underline underline-offset-4",
  warn: "text-warn font-semibold px-3 hover:underline underline-offset-4",
};

// of two sizes the later in the style sheet would win, not the one that was asked for
const SIZED = /(?:^|\s)text-(?:fine|body|lead|head|title|show)\b/;

export function Button({
  kind = "plain",
  className = "",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind; "data-go"?: boolean }) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-key ${SIZED.test(className) ? "" : "text-small"} disabled:opacity-50 disabled:pointer-events-none ${KINDS[kind]} ${className}`}
      {...rest}
    />
  );
}

export const keyLook = (kind: Kind = "plain", size = "text-small") =>
  `inline-flex min-h-11 items-center justify-center gap-2 rounded-key ${size} no-underline ${KINDS[kind]}`;

/** A sheet of paper: hairline, no shadow. */
export function Sheet({
  className = "",
  children,
  ...rest
}: {
  className?: string;
  children: ReactNode;
  "aria-label"?: string;
}) {
  return (
    <section className={`rounded-sheet border border-line bg-sheet ${className}`} {...rest}>
      {children}
    </section>
  );
}

/** One sentence that says what is wrong, at the place. */
export function Wrong({
  trouble,
  id,
  className = "",
}: {
  trouble: Trouble | null | undefined;
  id?: string;
  className?: string;
}) {
  if (!trouble) return null;
  return (
    <p
      role="alert"
      id={id}
      className={`border-l-4 border-warn bg-warn-pale px-3 py-2 text-small text-ink ${className}`}
    >
      {trouble.text}
    </p>
  );
}

export function Empty({ children }: { children: ReactNode }) {
  return <p className="text-soft">{children}</p>;
}
