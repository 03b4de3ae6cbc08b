/** The name of a screen in the browser's tab and history: what it is first, since a tab is narrow. */
export const TitleOf = ({ screen }: { screen: string }) => <title>{`${screen} · Eclat`}</title>;
