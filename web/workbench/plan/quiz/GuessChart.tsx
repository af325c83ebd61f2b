import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuizNumbers } from "../../../api/types";
import { t } from "../../../words/quiz";

const [WIDTH, HEIGHT, MOST] = [226, 64, 24];

/** How likely somebody who guesses gets how many points, up to all of them, and where the pass mark stands. */
export function GuessChart({ points, highest, mark }: { points: QuizNumbers["points"]; highest: number; mark: number }): ReactNode {
  const count = Math.min(points.length, MOST);
  const bars = Array.from({ length: count }, () => 0);
  for (const { points: got, chance } of points) {
    const at = Math.round((Math.min(Math.max(got, 0), highest) / highest) * (count - 1));
    bars[at] = (bars[at] ?? 0) + chance;
  }
  const tallest = Math.max(...bars, 1e-9);
  const step = WIDTH / Math.max(count, 1);
  return (
    <Box as="figure" bg="sheet" borderWidth="1px" borderRadius="card" p="2.5">
      <svg width="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={t("pointsOfAGuesser")}>
        {bars.map((chance, at) => {
          const h = (chance / tallest) * (HEIGHT - 4);
          return <rect key={at} x={at * step + 1} width={step - 2} y={HEIGHT - 1 - h} height={h} fill="var(--chakra-colors-sky)" opacity="0.45" />;
        })}
        <line x1="0" x2={WIDTH} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} stroke="var(--chakra-colors-edge)" />
        <line x1={(mark / 100) * WIDTH} x2={(mark / 100) * WIDTH} y1="0" y2={HEIGHT} stroke="var(--chakra-colors-spruce)" strokeWidth="2" />
      </svg>
      <Text as="figcaption" color="quiet" fontSize="12px" mt="1">{t("pointsOfAGuesser")} · {t("passMark")}</Text>
    </Box>
  );
}
