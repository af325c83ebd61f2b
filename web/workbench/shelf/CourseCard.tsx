import { Box, Flex, Heading, IconButton, Input, Link as ChakraLink, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { Copy, Download, EllipsisVertical, Pencil, Trash2, TriangleAlert } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { api, take } from "../../api/client";
import type { components } from "../../api/api";
import type { MediaMap } from "../../player/render/mediaMap";
import { Still } from "../../player/render/Still";
import { downloadResult } from "../../kit/download";
import { QuietButton } from "../../kit/QuietButton";
import { MenuButton } from "../../kit/menus/MenuButton";
import { follow } from "../../kit/jobs/work";
import { sayDone, sayError } from "../../kit/toaster";
import { ago } from "../../kit/units";
import { t } from "../../words/shelf";

export type Card = components["schemas"]["CourseCard"];

const WIDTH = 360;

/** One course on the shelf. */
export function CourseCard({ card, onChanged }: { card: Card; onChanged: () => void }): ReactNode {
  const [renaming, setRenaming] = useState(false);
  const wanted = useRef(false);
  const path = { params: { path: { slug: card.slug } } };
  const options = { onSuccess: onChanged, onError: sayError };
  const rename = useMutation({
    mutationFn: (title: string) =>
      take(api.PATCH("/api/courses/{slug}", { ...path, body: { title } })),
    ...options,
  });
  const copy = useMutation({
    mutationFn: () => follow(take(api.POST("/api/courses/{slug}/duplicate", path))), ...options,
  });
  const archive = useMutation({
    mutationFn: () => follow(take(api.POST("/api/courses/{slug}/archive", path))),
    onSuccess: downloadResult, onError: sayError,
  });
  const restore = useMutation({
    mutationFn: () => take(api.POST("/api/courses/{slug}/restore", path)), ...options,
  });
  const remove = useMutation({
    mutationFn: () => take(api.DELETE("/api/courses/{slug}", path)),
    onSuccess: () => {
      onChanged();
      sayDone(t("titleWasDeleted", { title: card.title }), () => restore.mutate());
    },
    onError: sayError,
  });

  function finish(title: string): void {
    setRenaming(false);
    if (title.trim() && title.trim() !== card.title) rename.mutate(title.trim());
  }

  const high = Math.round((WIDTH * 9) / 16);
  const scale = Math.min(WIDTH / card.size.w, high / card.size.h);
  return (
    <Box
      as="li" bg="sheet" borderWidth="1px" borderRadius="card" overflow="hidden" position="relative"
      _hover={{ borderColor: "spruce" }} transition="border-color 120ms"
    >
      <Flex h={`${high}px`} bg="table" overflow="hidden" justify="center" aria-hidden>
        {card.damaged ? <Flex h="100%" align="center" justify="center" color="brick"><TriangleAlert size={40} /></Flex> : card.first_slide ? (
          <Still slide={card.first_slide} size={card.size} theme={card.theme} scale={scale} media={asMedia(card.media)} />
        ) : (
          <Flex h="100%" align="center" justify="center" color="quiet">{t("noSlidesYet")}</Flex>
        )}
      </Flex>
      <Flex p="3.5" gap="2" align="flex-start" borderTopWidth="1px">
        <Box flex="1" minW="0">
          {renaming ? (
            <Input
              size="sm" autoFocus defaultValue={card.title} aria-label={t("title")} maxLength={200}
              onBlur={(event) => finish(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === "Enter") finish(event.currentTarget.value);
                if (event.key === "Escape") setRenaming(false);
              }}
            />
          ) : (
            <Heading as="h2" fontSize="17px" truncate title={card.title}>
              <ChakraLink asChild color="ink" _before={{ content: '""', position: "absolute", inset: 0 }}>
                {card.damaged ? <span>{card.title}</span> : <Link to={`/courses/${card.slug}/build`}>{card.title}</Link>}
              </ChakraLink>
            </Heading>
          )}
          <Text color="quiet" mt="0.5">
            {card.damaged ? t("cannotBeRead") : t("slides", { count: card.slides })}{" "}{t("changedAgo", { ago: ago(card.changed) })}
          </Text>
          {card.damaged && <WhatIsLeft card={card} />}
        </Box>
        <MenuButton
          button={(
            <IconButton size="xs" variant="ghost" zIndex="1" aria-label={t("moreAboutTitle", { title: card.title })} color="ink">
              <EllipsisVertical size={18} />
            </IconButton>
          )}
          entries={[
            ...(card.damaged ? [] : [
              { key: "rename", words: t("rename"), icon: <Pencil size={15} />, run: () => { wanted.current = true; } },
              { key: "copy", words: t("duplicate"), icon: <Copy size={15} />, run: () => copy.mutate() },
              { key: "export", words: t("export"), icon: <Download size={15} />, run: () => archive.mutate() },
            ]),
            { key: "delete", words: t("delete"), icon: <Trash2 size={15} />, removes: true, run: () => remove.mutate() },
          ]}
          onClosed={() => {
            // Not before: a closing menu gives the focus back to its button.
            setRenaming(wanted.current);
            wanted.current = false;
          }}
        />
      </Flex>
    </Box>
  );
}

/** Why a course cannot be read, and the way to what is left of it. */
function WhatIsLeft({ card }: { card: Card }): ReactNode {
  const [leftOut, setLeftOut] = useState<readonly string[] | null>(null);
  const left = useMutation({
    mutationFn: () => follow(take(api.POST("/api/courses/{slug}/left", { params: { path: { slug: card.slug } } }))),
    onSuccess: (job) => { downloadResult(job); setLeftOut(job.result?.left_out ?? []); }, onError: sayError,
  });
  return (
    <Box mt="2" fontSize="12.5px" position="relative" zIndex="1">
      <Text mb="1">{t("damagedAllThatIsStored", { damaged: card.damaged })}</Text>
      <QuietButton size="xs" loading={left.isPending} onClick={() => left.mutate()}><Download size={14} />{t("exportWhatIsLeft")}</QuietButton>
      {leftOut && (
        <Box role="status" mt="2" maxH="160px" overflowY="auto">
          <Text>{leftOut.length ? t("importItToGoOn") : t("nothingWasLeftOutImport")}</Text>
          <Box as="ul" pl="4" listStyleType="disc">{leftOut.map((place) => <li key={place}>{place}</li>)}</Box>
        </Box>
      )}
    </Box>
  );
}

function asMedia(urls: Record<string, string>): MediaMap {
  return Object.fromEntries(Object.entries(urls).map(([id, src]) => [id, { src, preview: src, type: "", w: 0, h: 0, duration: 0, soundless: false, captions: [], chapters: [] }]));
}
