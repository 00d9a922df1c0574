import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

/** A sheet from the bottom edge, for a phone. Not modal in Radix's sense: its scroll lock writes a style the
    content security policy forbids; the backdrop closes it instead. */
export function Bottom({
  open,
  onOpen,
  title,
  children,
}: {
  open: boolean;
  onOpen: (open: boolean) => void;
  title: string;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpen} modal={false}>
      <Dialog.Portal>
        {open && <div aria-hidden="true" className="fixed inset-0 z-30 bg-dim" onClick={() => onOpen(false)} />}
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 min-[45rem]:mx-auto min-[45rem]:max-w-[660px] z-40 max-h-[86vh] overflow-auto rounded-t-[18px] border border-line bg-sheet px-4 pb-8 pt-3 text-ink"
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-lead">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 rounded-key px-3 font-semibold text-water">Close</Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
