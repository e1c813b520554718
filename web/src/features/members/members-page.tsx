import { MEMBER_ROLES } from '@ostler/core'
import type { MembersAnswer, Role } from '@ostler/core'
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
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
import { Proved } from './proved.tsx'

const ROLE_TEXTS: Readonly<Record<Role, string>> = {
  owner: 'owner: everything, members too',
  maker: 'maker: everything but members',
  looker: 'looker: looks, changes nothing',
}

const day = (at: string): string => format(new Date(at), 'd MMMM yyyy')

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
        <h1 className="text-2xl">Members</h1>
        {error && <p className="text-rust">{error.message}</p>}
        {data && (
          <>
            <Everybody members={data.members} />
            <Invitations invitations={data.invitations} />
            <Backup />
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
    <Section title="Who works here">
      <ul>
        {members.map(({ id, name, signInName, role, seenAt, isYou }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line py-2">
            <strong className="min-w-40 text-lg">
              {name} {isYou && <span className="text-[13px] font-normal text-soft">you</span>}
            </strong>
            <span className="min-w-24 text-soft">{signInName}</span>
            <select
              aria-label={`What ${name} may do`}
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
            <span className="text-[13px] text-soft">{seenAt ? `here on ${day(seenAt)}` : 'not signed in'}</span>
            {!isYou && (
              <span className="ml-auto flex gap-2">
                <button className="quiet min-h-10" onClick={() => forgot.mutate({ id, name })}>
                  <KeyRound size={16} aria-hidden /> Forgot the password
                </button>
                {asked === id ? (
                  <button className="button min-h-10 text-rust" onClick={() => remove.mutate(id)}>
                    Remove {name} for good
                  </button>
                ) : (
                  <button
                    className="quiet min-h-10 min-w-10"
                    aria-label={`Remove ${name}`}
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
          says={`With this link ${link.name} sets a new password, once, within a day. Hand it over yourself.`}
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
    <Section title="Invite somebody">
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex flex-col text-[13px] text-soft">
          as
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
          <UserPlus size={18} aria-hidden /> Make a link
        </button>
      </div>
      {token !== '' && (
        <OneLink
          says="Whoever has this link comes in, once, within a week. Hand it over yourself."
          address={comeInAddress(token)}
        />
      )}
      <ul className="mt-2">
        {invitations.map(one => (
          <li key={one.id} className="flex flex-wrap items-center gap-4 border-b border-line py-1">
            A {one.role}, invited by {one.madeBy}; until {day(one.expiresAt)}
            <button className="quiet ml-auto min-h-10" onClick={() => withdraw.mutate(one.id)}>
              Withdraw
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
    <Section title="Who did what">
      <p className="flex flex-wrap items-center gap-4 text-soft">
        Only ever added to. Single edits of a batch are in its own history.
        <a className="quiet min-h-10" href={DEEDS_FILE} download>
          <Download size={16} aria-hidden /> As a table
        </a>
      </p>
      {error && <p className="text-rust">{error.message}</p>}
      <ul>
        {deeds.map(({ seq, at, member, what, about }) => (
          <li key={seq} className="flex flex-wrap gap-x-4 border-b border-line py-1">
            <span className="w-40 text-soft tabular-nums">{format(new Date(at), 'd MMM yyyy, HH:mm')}</span>
            <strong>{member}</strong> {what} <span className="text-[13px] break-all text-soft">{about}</span>
          </li>
        ))}
      </ul>
      {hasNextPage && deeds.length >= 100 && (
        <button className="button mt-2" onClick={() => void fetchNextPage()}>
          Earlier
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
    <Section title="Backup">
      <p className={data.isOld ? 'text-rust' : ''}>
        {data.madeAt === null
          ? 'No backup was made yet. The first is made a minute after the start.'
          : `The last good backup was made on ${format(new Date(data.madeAt), "d MMMM yyyy 'at' HH:mm")} (${Math.max(1, Math.round((data.bytes ?? 0) / 1e5)) / 10} MB), and read again.`}
      </p>
      <p>
        <a className="button min-h-11" href="/api/everything.zip" download>
          <Download size={16} aria-hidden /> Everything as open files (ZIP)
        </a>
      </p>
      <p className="mt-2 text-soft">
        One a day is kept beside the database: take copies of that folder to another place.
      </p>
    </Section>
  )
}

/** The end of a workshop, with everything in it. */
function TheEnd() {
  return (
    <Section title="Delete the workshop">
      <p className="max-w-160">
        Its batches, records, photographs, shelf, recipes, designs, trials and members go, for good. A backup of the
        server may still hold them.
      </p>
      <Proved
        says="Delete it with everything in it"
        onProved={async password => {
          await deleteWorkshop(password)
          location.assign('/')
        }}
      />
    </Section>
  )
}
