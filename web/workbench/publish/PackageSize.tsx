/** How large the media of a package are, and what would make it smaller. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { QuietButton } from "../../kit/QuietButton";
import { sayError } from "../../kit/toaster";
import { bytes } from "../../kit/units";
import { t } from "../../words/publish";
import type { Tracking } from "../shell/useCheck";
import { resize } from "../store/media";
import { useCourse } from "../store/store";

type Weight = Tracking["weight"];

/** The media by kind, the largest first, and the files that would save most in another size. */
export function PackageSize({ weight }: { weight: Weight }): ReactNode {
  const rows = ([[t("videos"), weight.videos], [t("pictures"), weight.pictures], [t("audio"), weight.audio]] as const)
    .filter(([, size]) => size > 0).toSorted(([, one], [, other]) => other - one);
  const all = weight.videos + weight.pictures + weight.audio;
  return (
    <>
      <Text mb="1">{all ? t("mediaComeTo", { size: bytes(all) }) : t("noMediaInIt")}</Text>
      {rows.map(([name, size]) => (
        <Flex key={name} align="center" gap="2" fontSize="14px" py="0.5">
          <Text w="80px" color="quiet">{name}</Text>
          <Box flex="1" aria-hidden><Box h="8px" borderRadius="full" bg="spruce" w={`${Math.max((size / all) * 100, 1)}%`} /></Box>
          <Text w="72px" textAlign="right">{bytes(size)}</Text>
        </Flex>
      ))}
      {weight.savings.map((saving) => <Saving key={saving.media} saving={saving} />)}
    </>
  );
}

function Saving({ saving }: { saving: Weight["savings"][number] }): ReactNode {
  const file = useCourse((state) => state.course.media.find(({ id }) => id === saving.media));
  const smaller = useMutation({ mutationFn: resize, onError: sayError });
  if (!file) return null;
  return (
    <Flex align="center" gap="2" mt="2" fontSize="14px">
      <Text flex="1" minW="0">{t("wouldBeSmaller", { name: saving.name, size: bytes(saving.size), small: bytes(saving.small) })}</Text>
      <QuietButton size="xs" flex="none" loading={smaller.isPending} onClick={() => smaller.mutate({ file, quality: "small" })}>{t("makeItSmall")}</QuietButton>
    </Flex>
  );
}
