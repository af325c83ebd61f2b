/** How somebody sounds who is spoken by machine. */
import type { ReactNode } from "react";
import type { SpeakerVoice } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { t } from "../../words/dialogue";

const LOW = [1, 2, 3, 4, 5, 6, 7].map((n) => [`low${n}`, t("lowerVoice", { number: n })] as const);
const HIGH = [1, 2, 3, 4, 5].map((n) => [`high${n}`, t("higherVoice", { number: n })] as const);
const OPTIONS = [["", t("voiceOfLanguage")] as const, ...LOW, ...HIGH];

/** The settings of a voice; what was spoken before stays as it is. */
export function MachineVoice({ voice, onChange }: { voice: SpeakerVoice; onChange: (change: Partial<SpeakerVoice>, what: string) => void }): ReactNode {
  return (
    <>
      <Choose label={t("voice")} value={voice.voice} options={OPTIONS} onChange={(one) => onChange({ voice: one }, "voice")} />
      <NumberField label={t("wordsAMinute")} value={voice.speed} min={80} max={400} onChange={(speed) => onChange({ speed }, "speed")} />
      <NumberField label={t("pitch")} value={voice.pitch} min={0} max={99} onChange={(pitch) => onChange({ pitch }, "pitch")} />
    </>
  );
}
