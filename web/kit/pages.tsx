/** Lists that come page by page. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useEffect, useRef, type ReactNode } from "react";
import { QuietButton } from "./QuietButton";
import { t } from "../words/kit";

interface Pages<T> {
  /** What has come so far; nothing before the first page. */
  items: readonly T[] | undefined;
  isPending: boolean;
  /** Stands below the items: brings the next page when `words` are pressed, or says what went wrong. */
  below: (words: string) => ReactNode;
}

/** Brings `most` items from number `start` on. */
type Ask<T> = (query: { start: number; most: number }, signal: AbortSignal) => Promise<T[]>;

/** The list that is kept under `key`, in pages of `size`. */
export function usePages<T>(key: readonly string[], size: number, ask: Ask<T>): Pages<T> {
  const query = useInfiniteQuery({
    queryKey: key, initialPageParam: 0, placeholderData: keepPreviousData,
    queryFn: ({ pageParam: start, signal }) => ask({ start, most: size }, signal),
    getNextPageParam: (last, pages) => (last.length < size ? undefined : pages.length * size),
  });
  return {
    items: query.data?.pages.flat(), isPending: query.isPending,
    below: (words) => {
      if (query.error) return <Failed error={query.error} busy={query.isFetching} onAgain={() => void query.refetch()} />;
      return query.hasNextPage && <More busy={query.isFetchingNextPage} onMore={() => void query.fetchNextPage()}>{words}</More>;
    },
  };
}

function Failed({ error, busy, onAgain }: { error: Error; busy: boolean; onAgain: () => void }): ReactNode {
  return (
    <Box role="alert" py="4">
      <Text mb="2">{t("theListCouldNotBe", { message: error.message })}</Text>
      <QuietButton loading={busy} onClick={onAgain}>{t("tryAgain")}</QuietButton>
    </Box>
  );
}

/** Brings the next page as soon as it comes near, or is asked for. */
function More({ busy, onMore, children }: { busy: boolean; onMore: () => void; children: ReactNode }): ReactNode {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (busy || !box.current) return;
    const watching = new IntersectionObserver(([seen]) => { if (seen?.isIntersecting) onMore(); }, { rootMargin: "400px" });
    watching.observe(box.current);
    return () => watching.disconnect();
  }, [busy, onMore]);
  return <Flex ref={box} justify="center" mt="6"><QuietButton loading={busy} onClick={onMore}>{children}</QuietButton></Flex>;
}
