/** When the course is complete. */
import { Flex, Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { changeCourse, useCourse } from "../store/store";
import { Card } from "../ui/parts";
import { Check, NumberField } from "../build/fields";

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
        <Flex gap="4" align="center" wrap="wrap">
          <Check label="slides were seen" value={share !== null} onChange={(on) => change(on ? 1 : null, completion.passing)} />
          {share !== null && (
            <NumberField
              label="per cent" value={Math.round(share * 100)} min={0} max={100}
              onChange={(percent) => change(percent / 100, completion.passing)}
            />
          )}
        </Flex>
        <Flex gap="4" align="center" wrap="wrap">
          <Check label="it was passed" value={completion.passing} onChange={(on) => change(share, on)} />
          <NumberField
            label="pass mark %" value={mark} min={0} max={100}
            onChange={(pass_mark) => changeCourse("Pass mark", { pass_mark }, "pass-mark")}
          />
        </Flex>
        {share !== null && completion.passing && <Text color="quiet" fontSize="13px">Both are needed.</Text>}
      </Stack>
    </Card>
  );
}
