/** `hasTable`: the figures in lines instead of the chart, where the view has them. */
export type ViewProps = { readonly hasTable: boolean }
