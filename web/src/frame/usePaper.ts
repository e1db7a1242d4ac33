import { useEffect } from "react";

/** The paper that is printed on while a page is shown. */
export function usePaper(size: string): void {
  useEffect(() => {
    if (!document.adoptedStyleSheets) return;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(`@page { size: ${size}; margin: 6mm; }`);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== sheet);
    };
  }, [size]);
}
