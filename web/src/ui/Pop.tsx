import { Popover } from "radix-ui";
import type { ReactNode } from "react";

/** Something to touch, and what it is made of. open, onOpen: where what is inside closes it. */
export function Pop({
  trigger,
  label,
  children,
  wide = false,
  open,
  onOpen,
}: {
  trigger: ReactNode;
  label: string;
  children: ReactNode;
  wide?: boolean;
  open?: boolean;
  onOpen?: (open: boolean) => void;
}) {
  return (
    <Popover.Root open={open} onOpenChange={onOpen}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          sideOffset={8}
          collisionPadding={12}
          className={`z-40 max-h-[min(74vh,620px)] overflow-auto rounded-sheet border border-line bg-sheet p-5 text-ink shadow-jug ${wide ? "w-[min(92vw,560px)]" : "w-[min(92vw,400px)]"}`}
        >
          {children}
          <Popover.Arrow className="fill-line" width={16} height={8} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
