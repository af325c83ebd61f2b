import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { MediaFile } from "../../../api/types";
import { bytes } from "../../../kit/units";
import { t } from "../../../words/editor";
import { attempt } from "../../store/commands";
import { resize } from "../../store/media";
import { saveAll } from "../../store/saver";
import { useCourse } from "../../store/store";

const WORDS = { small: t("qualitySmall"), good: t("qualityGood"), original: t("qualityOriginal") } as const;
type Quality = keyof typeof WORDS;

/** In which quality a video or audio travels with the course, and how much that is. */
export function SizeField({ file }: { file: MediaFile }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const [making, setMaking] = useState<Quality | null>(null);
  const { data } = useQuery({
    queryKey: ["sizes", slug, file.sha256],
    queryFn: async () => {
      await saveAll();
      const path = { slug, media_id: file.id };
      return take(api.GET("/api/courses/{slug}/media/{media_id}/sizes", { params: { path } }));
    },
  });
  if (!data) return null;
  const now = making ?? data.now;
  const choose = (quality: Quality): Promise<void> => attempt(async () => {
    setMaking(quality);
    try {
      await resize({ file, quality });
    } finally {
      setMaking(null);
    }
  });
  const line = (quality: Quality, size: string, disabled = false): ReactNode => (
    <Flex asChild gap="2" align="center" fontSize="13px" opacity={disabled ? 0.6 : 1}>
      <label key={quality}>
        <input
          type="radio" name={`quality-${file.id}`} checked={now === quality} disabled={disabled || making !== null}
          onChange={() => void choose(quality)}
        />
        <span>{WORDS[quality]}</span>
        <Text as="span" color="quiet" fontSize="12px" ml="auto">{quality === data.now ? bytes(file.size) : size}</Text>
      </label>
    </Flex>
  );
  return (
    <Box role="radiogroup" aria-label={t("quality")} my="1.5">
      <Text fontSize="12.5px" color="quiet" mb="0.5">{t("quality")}</Text>
      {data.choices.map(({ quality, most }) => line(quality, t("upTo", { size: bytes(most) })))}
      {data.original !== null && line("original", data.plays ? bytes(data.original) : t("notPlayed", { size: bytes(data.original) }), !data.plays)}
    </Box>
  );
}
