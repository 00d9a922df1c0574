export function Wordmark() {
  return (
    <span className="font-show text-head leading-none font-[720] tracking-[-0.03em]">
      Meal<span className="relative top-[5px] -ml-px text-water">Shift</span>
    </span>
  );
}
