import { useRef, type ReactElement } from "react";

interface Wanted {
  /** Types and extensions of files that fit, as in `accept` of an input. */
  accept: string;
  /** What the files are for, for those who do not see the button. */
  label: string;
  several?: boolean;
  /** Called with one file at least. */
  onFiles: (files: [File, ...File[]]) => void;
}

/** Files of this computer: `open` lets them be chosen, `input` stands anywhere on the page and is not seen. */
export function useFilePicker({ accept, label, several = false, onFiles }: Wanted): { input: ReactElement; open: () => void } {
  const picker = useRef<HTMLInputElement>(null);
  const input = (
    <input
      ref={picker} type="file" accept={accept} multiple={several} hidden aria-label={label}
      onChange={(event) => {
        const [first, ...others] = event.target.files ?? [];
        // The same file can be chosen again.
        event.target.value = "";
        if (first) onFiles([first, ...others]);
      }}
    />
  );
  return { input, open: () => picker.current?.click() };
}
