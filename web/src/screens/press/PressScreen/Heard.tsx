import { useEffect, useState } from "react";
import { soundUrl, type Pull } from "../../../api/editions";
import { spokenHere } from "../../../device/pressStore";
import { useHere } from "../../../frame/useHere";

/** What was said or typed of a pull. */
export function Heard({ pull }: { pull: Pull }) {
  if (pull.notes.length === 0) return null;
  return (
    <ul className="mt-2 grid gap-1.5" aria-label="Notes of this pull">
      {pull.notes.map((each) => (
        <li key={each.event} className="font-slab italic">
          {each.text}
          {each.sound ? <Played sound={each.sound} /> : null}
        </li>
      ))}
    </ul>
  );
}

/** A spoken note, from this device while it waits, else from the server. */
function Played({ sound }: { sound: string }) {
  const { room } = useHere();
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let made = "";
    spokenHere(sound).then((kept) => {
      made = kept ? URL.createObjectURL(kept.file) : "";
      setUrl(made || soundUrl(room, sound));
    });
    return () => {
      if (made) URL.revokeObjectURL(made);
    };
  }, [sound, room]);
  // biome-ignore lint/a11y/useMediaCaption: a note one spoke oneself
  return url ? <audio controls src={url} className="block h-9 max-w-full" /> : null;
}
