import type { ComponentType, JSX } from "react";
import { useTheme } from "../frame/theme";

/** A chart takes colours as values: with another theme it is made anew. */
export function themed<P extends object>(Drawn: ComponentType<P>): (props: P) => JSX.Element {
  return function Themed(props: P) {
    return <Drawn key={useTheme()} {...props} />;
  };
}
