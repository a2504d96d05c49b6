import type { Link } from '@/core/machine/explain'

type Kinded = Extract<Link, { kind: string }>
type LinkOf<S extends Kinded['stage'], K extends Kinded['kind']> = Extract<Kinded, { stage: S; kind: K }>

/** The link of a chain at this stage and of this kind, if there is one (and it is the one meant). */
export const findLink = <S extends Kinded['stage'], K extends Extract<Kinded, { stage: S }>['kind']>(
  chain: readonly Link[],
  stage: S,
  kind: K,
  isMeant: (link: LinkOf<S, K>) => boolean = () => true,
): LinkOf<S, K> | undefined =>
  chain.find(
    (link): link is LinkOf<S, K> =>
      link.stage === stage && 'kind' in link && link.kind === kind && isMeant(link as LinkOf<S, K>),
  )
