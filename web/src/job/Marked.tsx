import { pieces } from "./words";

/** A text with what changed under the highlighter; `withOld` puts the old words, struck through, before the new. */
export function Marked({
  text,
  marks,
  olds,
  withOld = false,
}: {
  text: string;
  marks: readonly (readonly number[])[];
  olds?: readonly string[];
  withOld?: boolean;
}) {
  return (
    <>
      {pieces(text, marks, olds).map((p, i) =>
        p.changed ? (
          <span key={i}>
            {withOld && p.old?.trim() && (
              <del className="mr-1 text-[0.88em] text-soft">
                <span className="sr-only">was </span>
                {p.old.trim()}
              </del>
            )}
            <mark className="changed">{p.text}</mark>
          </span>
        ) : (
          <span key={i}>{p.text}</span>
        ),
      )}
    </>
  );
}
