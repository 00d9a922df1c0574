import type { ReactNode } from "react";
import { Link, Redirect, Route, Switch, useLocation as useWhere, useParams, useRoute, useSearchParams } from "wouter";

export { Link, Redirect, Route, Switch, useParams, useRoute, useSearchParams };

export type Go = (to: string) => void;

/** The address without what stands behind "?". */
export function useLocation(): { pathname: string } {
  return { pathname: useWhere()[0] };
}

/** Goes to a place of the app. */
export function useNavigate(): Go {
  return useWhere()[1];
}

type Look = (on: { isActive: boolean }) => string;

/** A way to a place, which tells whether one is there, or further in. */
export function NavLink({
  to,
  className,
  children,
}: {
  to: string;
  className: string | Look;
  children: ReactNode | ((on: { isActive: boolean }) => ReactNode);
}) {
  const { pathname } = useLocation();
  const on = { isActive: pathname === to || pathname.startsWith(`${to}/`) };
  return (
    <Link
      to={to}
      aria-current={on.isActive ? "page" : undefined}
      className={typeof className === "string" ? className : className(on)}
    >
      {typeof children === "function" ? children(on) : children}
    </Link>
  );
}
