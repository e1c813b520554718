import { MEMBER_ROLES } from '@ostler/core'
import type { MembersAnswer, Role } from '@ostler/core'
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Download, KeyRound, Trash2, UserPlus } from 'lucide-react'
import { useState } from 'react'
import {
  DEEDS_FILE,
  backupQuery,
  deedsQuery,
  deleteWorkshop,
  invite,
  membersQuery,
  removeMember,
  setRole,
  wayToPassword,
  withdrawInvitation,
} from '../../api/members.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { OneLink } from '../../ui/one-link.tsx'
import { Section } from '../../ui/section.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Everything } from './everything.tsx'
import { Proved } from './proved.tsx'
import { dated, rich, t } from '../../words/index.ts'

const ROLE_TEXTS: Readonly<Record<Role, string>> = {
  owner: t('owner: everything, members too'),
  maker: t('maker: everything but members'),
  looker: t('looker: looks, changes nothing'),
}

const day = (at: string): string => dated(new Date(at), 'd MMMM yyyy')

const comeInAddress = (token: string): string => `${location.origin}/come-in/${token}`

/** Who works here, who may come in, and who did what: for owners. */
export function MembersPage() {
  const { data, error } = useQuery({ ...membersQuery, retry: false, staleTime: 0 })
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto grid w-full max-w-220 flex-1 grid-cols-[minmax(0,1fr)] content-start gap-7 p-5 max-[900px]:p-3">
        <h1 className="text-2xl">{t('Members')}</h1>
        {error && <p className="text-rust">{error.message}</p>}
        {data && (
          <>
            <Everybody members={data.members} />
            <Invitations invitations={data.invitations} />
            <Backup />
            <Everything />
            <Deeds />
            <TheEnd />
          </>
        )}
      </main>
    </>
  )
}

/** Does something to the members, tells what went wrong, and looks again. */
function useDeed<A>(run: (about: A) => Promise<unknown>, onDone?: (of: A) => void) {
  const queries = useQueryClient()
  const toast = useToast()
  return useMutation({
    mutationFn: run,
    onSuccess: (_, about) => onDone?.(about),
    onError: error => toast(error.message),
    onSettled: () => void queries.invalidateQueries({ queryKey: membersQuery.queryKey }),
  })
}

function Everybody({ members }: Pick<MembersAnswer, 'members'>) {
  const change = useDeed(({ id, role }: { id: string; role: Role }) => setRole(id, role))
  const remove = useDeed((id: string) => removeMember(id))
  const [asked, setAsked] = useState<string | null>(null)
  const [link, setLink] = useState<{ name: string; token: string } | null>(null)
  const forgot = useDeed(async ({ id, name }: { id: string; name: string }) => {
    const { token } = await wayToPassword(id)
    setLink({ name, token })
  })
  return (
    <Section title={t('Who works here')}>
      <ul>
        {members.map(({ id, name, signInName, role, seenAt, isYou }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line py-2">
            <strong className="min-w-40 text-lg">
              {name} {isYou && <span className="text-[13px] font-normal text-soft">{t('you')}</span>}
            </strong>
            <span className="min-w-24 text-soft">{signInName}</span>
            <select
              aria-label={t('What {name} may do', { name })}
              className="field min-h-10"
              value={role}
              onChange={event => change.mutate({ id, role: event.target.value as Role })}
            >
              {Object.keys(MEMBER_ROLES).map(one => (
                <option key={one} value={one}>
                  {ROLE_TEXTS[one as Role]}
                </option>
              ))}
            </select>
            <span className="text-[13px] text-soft">
              {seenAt ? t('here on {seenAt}', { seenAt: day(seenAt) }) : t('not signed in')}
            </span>
            {!isYou && (
              <span className="ml-auto flex gap-2">
                <button className="quiet min-h-10" onClick={() => forgot.mutate({ id, name })}>
                  <KeyRound size={16} aria-hidden /> {t('Forgot the password')}
                </button>
                {asked === id ? (
                  <button className="button min-h-10 text-rust" onClick={() => remove.mutate(id)}>
                    {t('Remove {name} for good', { name })}
                  </button>
                ) : (
                  <button
                    className="quiet min-h-10 min-w-10"
                    aria-label={t('Remove {name}', { name })}
                    onClick={() => setAsked(id)}
                  >
                    <Trash2 size={16} aria-hidden />
                  </button>
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
      {link && (
        <OneLink
          says={t('With this link {link} sets a new password, once, within a day. Hand it over yourself.', {
            link: link.name,
          })}
          address={comeInAddress(link.token)}
        />
      )}
    </Section>
  )
}

function Invitations({ invitations }: Pick<MembersAnswer, 'invitations'>) {
  const [role, setRoleWanted] = useState<Role>('maker')
  const [token, setToken] = useState('')
  const make = useDeed(async () => setToken((await invite(role)).token))
  const withdraw = useDeed((id: string) => withdrawInvitation(id))
  return (
    <Section title={t('Invite somebody')}>
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex flex-col text-[13px] text-soft">
          {t('as')}
          <select
            className="field min-h-11 text-ink"
            value={role}
            onChange={event => setRoleWanted(event.target.value as Role)}
          >
            {Object.entries(ROLE_TEXTS).map(([one, text]) => (
              <option key={one} value={one}>
                {text}
              </option>
            ))}
          </select>
        </label>
        <button
          className="button button-main min-h-11"
          disabled={make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          <UserPlus size={18} aria-hidden /> {t('Make a link')}
        </button>
      </div>
      {token !== '' && (
        <OneLink
          says={t('Whoever has this link comes in, once, within a week. Hand it over yourself.')}
          address={comeInAddress(token)}
        />
      )}
      <ul className="mt-2">
        {invitations.map(one => (
          <li key={one.id} className="flex flex-wrap items-center gap-4 border-b border-line py-1">
            {t('A {role}, invited by {madeBy}; until {expiresAt}', {
              role: one.role,
              madeBy: one.madeBy,
              expiresAt: day(one.expiresAt),
            })}
            <button className="quiet ml-auto min-h-10" onClick={() => withdraw.mutate(one.id)}>
              {t('Withdraw')}
            </button>
          </li>
        ))}
      </ul>
    </Section>
  )
}

function Deeds() {
  const { data, hasNextPage, fetchNextPage, error } = useInfiniteQuery({ ...deedsQuery, staleTime: 0 })
  const deeds = data?.pages.flat() ?? []
  return (
    <Section title={t('Who did what')}>
      <p className="flex flex-wrap items-center gap-4 text-soft">
        {rich('Only ever added to. Single edits of a batch are in its own history.{link}', {
          link: (
            <a className="quiet min-h-10" href={DEEDS_FILE} download>
              <Download size={16} aria-hidden /> {t('As a table')}
            </a>
          ),
        })}
      </p>
      {error && <p className="text-rust">{error.message}</p>}
      <ul>
        {deeds.map(({ seq, at, member, what, about }) => (
          <li key={seq} className="flex flex-wrap gap-x-4 border-b border-line py-1">
            <span className="w-40 text-soft tabular-nums">{dated(new Date(at), 'd MMM yyyy, HH:mm')}</span>
            <strong>{member}</strong> {t(what)} <span className="text-[13px] break-all text-soft">{about}</span>
          </li>
        ))}
      </ul>
      {hasNextPage && deeds.length >= 100 && (
        <button className="button mt-2" onClick={() => void fetchNextPage()}>
          {t('Earlier')}
        </button>
      )}
    </Section>
  )
}

/** When everything was last put away safely. */
function Backup() {
  const { data } = useQuery({ ...backupQuery, staleTime: 0 })
  if (!data?.isMadeHere) return null
  return (
    <Section title={t('Backup')}>
      <p className={data.isOld ? 'text-rust' : ''}>
        {data.madeAt === null
          ? t('No backup was made yet. The first is made a minute after the start.')
          : t('The last good backup was made on {format} ({what} MB), and read again.', {
              format: dated(new Date(data.madeAt), "d MMMM yyyy 'at' HH:mm"),
              what: Math.max(1, Math.round((data.bytes ?? 0) / 1e5)) / 10,
            })}
      </p>
      <p className="mt-2 text-soft">
        {t('One a day is kept beside the database: take copies of that folder to another place.')}
      </p>
    </Section>
  )
}

/** The end of a workshop, with everything in it. */
function TheEnd() {
  return (
    <Section title={t('Delete the workshop')}>
      <p className="max-w-160">
        {t(
          'Its batches, records, photographs, shelf, recipes, designs, trials and members go, for good. A backup of the server may still hold them.',
        )}
      </p>
      <Proved
        says={t('Delete it with everything in it')}
        onProved={async password => {
          await deleteWorkshop(password)
          location.assign('/')
        }}
      />
    </Section>
  )
}
