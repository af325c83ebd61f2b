import { Box, Dialog, Flex, Heading, Portal, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Slide } from "../../api/types";
import { settleClash } from "../store/saver";
import { useCourse } from "../store/store";
import { SlidePicture } from "./SlidePicture";
import { MainButton } from "../../kit/MainButton";
import { sayError } from "../../kit/toaster";

const WIDTH = 400;

/** Two versions of one slide: both shown, one chosen, none lost. */
export function ConflictDialog(): ReactNode {
  const conflict = useCourse((state) => state.clash);
  const mine = useCourse((state) => (conflict?.slide ? state.slides[conflict.slide] : undefined));
  if (!conflict) return null;
  const choose = (which: "mine" | "theirs"): void => { settleClash(which).catch(sayError); };
  const what = conflict.slide ? `the slide “${mine?.title ?? ""}”` : "the course's settings";
  return (
    <Dialog.Root open size="cover" role="alertdialog" closeOnEscape={false} closeOnInteractOutside={false}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="920px" h="auto">
            <Dialog.Header>
              <Dialog.Title>Somebody else has changed {what}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <Text mb="4">
                Nothing was overwritten. Choose which one the course goes on with.
                {conflict.slide && " The other stays among the slide's kept states."}
              </Text>
              <Flex gap="6" wrap="wrap">
                <Version title="Yours, in this window" slide={mine} settings={!conflict.slide}>
                  <MainButton onClick={() => choose("mine")}>Go on with mine</MainButton>
                </Version>
                <Version
                  title="Theirs, on the server" settings={!conflict.slide}
                  slide={conflict.slide ? (conflict.theirs as Slide | null) ?? undefined : undefined}
                >
                  <MainButton onClick={() => choose("theirs")}>Go on with theirs</MainButton>
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
            {settings ? "Title, order of the slides, completion." : "The slide is not there."}
          </Text>
        )}
      </Box>
      {children}
    </Box>
  );
}
