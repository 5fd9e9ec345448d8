import { useRef } from "react";

/**
 * For a dialog that no trigger of its own opens: remembers what had the focus when it opened and gives it back, or gives
 * it to the page's heading where that is gone.
 */
export function useReturnFocus() {
  const opener = useRef<Element | null>(null);
  return {
    onOpenAutoFocus: () => {
      opener.current = document.activeElement;
    },
    onCloseAutoFocus: (event: Event) => {
      if (event.defaultPrevented) return;
      event.preventDefault();
      const { current } = opener;
      const back =
        current?.isConnected && current !== document.body
          ? current
          : document.querySelector("[data-stage-heading], h1");
      if (back instanceof HTMLElement) back.focus();
    },
  };
}
