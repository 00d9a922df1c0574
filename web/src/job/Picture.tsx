import type { ReactNode } from "react";

const line = { fill: "var(--sheet)", stroke: "currentColor", strokeWidth: 2.5, strokeLinejoin: "round" as const };
const flame = <path d="M30 62q-3-4 1-8 4 4 1 8zM46 62q-3-4 1-8 4 4 1 8z" fill="currentColor" />;
const pot = <path d="M14 26h52v20q0 6-6 6H20q-6 0-6-6zM14 31H6M66 31h8" {...line} />;
const dome = <path d="M12 25q28-20 56 0z" {...line} />;
const steam = (
  <path
    d="M30 20q-4-4 0-8t0-8M40 20q-4-4 0-8t0-8M50 20q-4-4 0-8t0-8"
    fill="none"
    stroke="currentColor"
    strokeWidth="2.5"
    strokeLinecap="round"
  />
);
const drops = <path d="M30 52v8M40 52v10M50 52v8" stroke="var(--water)" strokeWidth="3.5" strokeLinecap="round" />;
const sieve = <path d="M16 28h48q-2 20-24 20T16 28zM64 28h14" {...line} />;
const bowl = <path d="M10 34h60q-2 24-30 24T10 34z" {...line} />;

/** Each as it stands before the cook, 80 by 64. */
const PICTURE: Record<string, ReactNode> = {
  "rice-cooker": (
    <>
      <path d="M12 26h56l-5 32H17z" {...line} />
      <path d="M14 26q26-18 52 0" {...line} />
      <circle cx="40" cy="16" r="3" fill="currentColor" />
      <path d="M34 46h12" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  pressure: (
    <>
      <rect x="14" y="24" width="52" height="34" rx="5" {...line} />
      <path d="M12 24h56v-6H12z" {...line} />
      <path d="M68 21h10M40 18v-8M35 9h10" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
    </>
  ),
  "electric-pressure": (
    <>
      <rect x="16" y="18" width="48" height="42" rx="8" {...line} />
      <path d="M20 18q20-12 40 0" {...line} />
      <rect x="29" y="34" width="22" height="12" rx="2" fill="currentColor" />
      <path d="M56 11v-5" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
    </>
  ),
  "slow-cooker": (
    <>
      <path d="M8 30h64q0 28-18 28H26Q8 58 8 30z" {...line} />
      <path d="M14 30q26-22 52 0z" {...line} />
      <circle cx="40" cy="16" r="3.5" fill="currentColor" />
      <circle cx="40" cy="48" r="4" fill="currentColor" />
    </>
  ),
  microwave: (
    <>
      <rect x="4" y="12" width="72" height="46" rx="5" {...line} />
      <rect x="11" y="19" width="42" height="32" rx="3" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M62 22h6M62 30h6M62 38h6" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  jar: (
    <>
      <path d="M26 8h28l-4 32H30z" {...line} />
      <path d="M24 40h32l4 18H20z" {...line} />
      <path d="M36 52h8" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  covered: (
    <>
      {pot}
      {dome}
      <circle cx="40" cy="13" r="3" fill="currentColor" />
      {flame}
    </>
  ),
  open: (
    <>
      {pot}
      {steam}
      {flame}
    </>
  ),
  "off-heat": (
    <>
      {pot}
      {dome}
      <circle cx="40" cy="13" r="3" fill="currentColor" />
      <path d="M18 60h44" stroke="currentColor" strokeWidth="3" strokeDasharray="2 5" strokeLinecap="round" />
    </>
  ),
  drain: (
    <>
      {sieve}
      {steam}
      {drops}
    </>
  ),
  flush: (
    <>
      {sieve}
      {drops}
      <path d="M34 4v16M40 2v18M46 4v16" stroke="var(--water)" strokeWidth="3.5" strokeLinecap="round" />
    </>
  ),
  steep: (
    <>
      {bowl}
      <path d="M60 4 48 22" stroke="var(--water)" strokeWidth="4" strokeLinecap="round" />
      <path d="M56 2h16v10H62z" {...line} />
    </>
  ),
  steam: (
    <>
      <path d="M16 22h48v14H16zM12 36h56v12q0 4-4 4H16q-4 0-4-4z" {...line} />
      <path d="M22 30h36" stroke="currentColor" strokeWidth="2.5" strokeDasharray="3 5" />
      <path d="M18 22q22-16 44 0" {...line} />
      {flame}
    </>
  ),
  oven: (
    <>
      <rect x="12" y="6" width="56" height="52" rx="5" {...line} />
      <path d="M24 14h32" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
      <rect x="20" y="22" width="40" height="28" rx="3" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M28 36h24l-3 7H31z" fill="currentColor" />
    </>
  ),
  soup: (
    <>
      {bowl}
      <path d="M16 42q6 4 12 0t12 0 12 0 12 0" fill="none" stroke="var(--water)" strokeWidth="3" />
      <path d="M50 34 66 8" stroke="currentColor" strokeWidth="3.5" strokeLinecap="round" />
    </>
  ),
  "cook-ahead": (
    <>
      <path d="M8 44h64l-5 10H13z" {...line} />
      <path d="M16 40h4M26 37h4M36 40h4M46 37h4M56 40h4" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
      <circle cx="40" cy="16" r="11" {...line} />
      <path d="M40 9v7l5 3" fill="none" stroke="currentColor" strokeWidth="2.5" strokeLinecap="round" />
    </>
  ),
};

/** A way of cooking, or what stands on the worktop, drawn. The words beside it say the same. */
export const Picture = ({ of, className }: { of: string; className: string }) => (
  <svg viewBox="0 0 80 64" aria-hidden="true" className={className}>
    {PICTURE[of] ?? PICTURE.covered}
  </svg>
);
