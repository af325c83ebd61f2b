import { Box, Dialog, Flex, Heading, Portal, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Slide } from "../../api/types";
import { settleClash } from "../store/saver";
import { useCourse } from "../store/store";
import { SlidePicture } from "./SlidePicture";
import { MainButton } from "../../kit/MainButton";
import { sayError } from "../../kit/toaster";
import { t } from "../../words/shell";

const WIDTH = 400;

/** Two versions of one slide: both shown, one chosen, none lost. */
export function ConflictDialog(): ReactNode {
  const conflict = useCourse((state) => state.clash);
  const mine = useCourse((state) => (conflict?.slide ? state.slides[conflict.slide] : undefined));
  if (!conflict) return null;
  const choose = (which: "mine" | "theirs"): void => { settleClash(which).catch(sayError); };
  const what = conflict.slide ? t("theSlideTitle", { title: mine?.title ?? "" }) : t("theCoursesSettings");
  return (
    <Dialog.Root open size="cover" role="alertdialog" closeOnEscape={false} closeOnInteractOutside={false}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="920px" h="auto">
            <Dialog.Header>
              <Dialog.Title>{t("somebodyElseHasChangedWhat", { what })}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <Text mb="4">
                {t("nothingWasOverwrittenChooseWhich")}
                {conflict.slide && t("theOtherStaysInThe")}
              </Text>
              <Flex gap="6" wrap="wrap">
                <Version title={t("yoursInThisWindow")} slide={mine} settings={!conflict.slide}>
                  <MainButton onClick={() => choose("mine")}>{t("keepMine")}</MainButton>
                </Version>
                <Version
                  title={t("theirsOnTheServer")} settings={!conflict.slide}
                  slide={conflict.slide ? (conflict.theirs as Slide | null) ?? undefined : undefined}
                >
                  <MainButton onClick={() => choose("theirs")}>{t("keepTheirs")}</MainButton>
                </Version>
              </Flex>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

function Version(
  { title, slide, settings, children }: {
    title: string; slide: Slide | undefined; settings: boolean; children: ReactNode;
  },
): ReactNode {
  return (
    <Box>
      <Heading as="h3" fontSize="15px" mb="2">{title}</Heading>
      <Box borderWidth="1px" w={`${WIDTH}px`} minH="100px" mb="3" aria-hidden>
        {slide && <SlidePicture slide={slide} w={WIDTH} whole />}
        {!slide && (
          <Text p="4" color="quiet">
            {settings ? t("titleOrderOfTheSlides") : t("theSlideIsNotThere")}
          </Text>
        )}
      </Box>
      {children}
    </Box>
  );
}
