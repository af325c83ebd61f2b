import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { changeCourse, useCourse } from "../store/store";
import { Card } from "../../kit/Card";
import { Check } from "../../kit/Check";
import { NumberField } from "../../kit/NumberField";

/** When the course is complete. */
export function CompletionCard(): ReactNode {
  const completion = useCourse((state) => state.course.completion);
  const mark = useCourse((state) => state.course.pass_mark);
  const share = completion.slides_share ?? null;

  function change(slides_share: number | null, passing: boolean): void {
    // Something must count: taking the last away puts the other in its place.
    const nothing = slides_share === null && !passing;
    const next = nothing
      ? { slides_share: share === null ? 1 : null, passing: share !== null } : { slides_share, passing };
    changeCourse("Completion", { completion: next }, "completion");
  }

  return (
    <Card title="Complete when">
      <Stack gap="2">
        <Flex gap="2" align="center" wrap="wrap">
          <Check label="slides were seen, at least" value={share !== null} onChange={(on) => change(on ? 1 : null, completion.passing)} />
          {share !== null && (
            <Percent
              label="Share of slides in per cent" value={Math.round(share * 100)}
              onChange={(percent) => change(percent / 100, completion.passing)}
            />
          )}
        </Flex>
        <Flex gap="2" align="center" wrap="wrap">
          <Check label="it was passed, with at least" value={completion.passing} onChange={(on) => change(share, on)} />
          <Percent
            label="Pass mark in per cent" value={mark}
            onChange={(pass_mark) => changeCourse("Pass mark", { pass_mark }, "pass-mark")}
          />
        </Flex>
        {share !== null && completion.passing && <Text color="quiet" fontSize="13px">Both are needed.</Text>}
      </Stack>
    </Card>
  );
}

function Percent(
  { label, value, onChange }: { label: string; value: number; onChange: (value: number) => void },
): ReactNode {
  return (
    <Flex align="center" gap="2">
      <Box w="72px"><NumberField bare label={label} value={value} min={0} max={100} onChange={onChange} /></Box>
      <Text>%</Text>
    </Flex>
  );
}
