import { Component, type ReactNode } from "react";
import { Empty } from "./Empty";
import { QuietButton } from "./QuietButton";
import { t } from "../words/kit";

interface State { broken: boolean }

interface Props {
  /** Where one is: somewhere else is tried anew. */
  at: string;
  children: ReactNode;
}

/** Keeps the page around it when a part of it cannot be fetched or drawn, and says what to do. */
export class Boundary extends Component<Props, State> {
  override state: State = { broken: false };

  /** What React asks once something within has failed. */
  static getDerivedStateFromError(): State {
    return { broken: true };
  }

  /** Forgets what failed where one was before. */
  override componentDidUpdate(before: Props): void {
    if (this.state.broken && before.at !== this.props.at) this.setState({ broken: false });
  }

  /** What is within, or what to do instead. */
  override render(): ReactNode {
    if (!this.state.broken) return this.props.children;
    return (
      <Empty title={t("thisPageCouldNotBeShown")} action={<QuietButton onClick={() => window.location.reload()}>{t("loadItAgain")}</QuietButton>}>
        {t("whatYouChangedIsKept")}
      </Empty>
    );
  }
}
