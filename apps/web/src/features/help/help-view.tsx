import { useDeferredValue, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { topics, type Topic } from './topics.js'

const groups = ['How to', 'How the figures are made', 'What the words mean'] as const

const textOf = (topic: Topic): string => `${topic.title} ${topic.text.join(' ')}`.toLowerCase()

/** What one does in which order, how each figure is made and how far to trust it, and what the words mean. */
export function HelpView() {
  const [query, setQuery] = useState('')
  const wanted = useDeferredValue(query)
  const found = useMemo(() => {
    const words = wanted.toLowerCase().split(/\s+/).filter(Boolean)
    return topics.filter((topic) => words.every((word) => textOf(topic).includes(word)))
  }, [wanted])
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule bg-panel px-[14px] py-2">
        <h2 className="title">Help</h2>
        <input
          type="search"
          className="field w-[260px]"
          aria-label="Search the help"
          placeholder="Search the help"
          value={query}
          onChange={(e) => setQuery(e.target.value)}
          onFocus={(e) => e.target.select()}
        />
        <span role="status" className="text-ink-2">
          {wanted.trim() !== '' &&
            (found.length === 0 ? 'Nothing is said about that.' : `${found.length} found`)}
        </span>
      </div>
      <div
        className="min-h-0 grow overflow-y-auto px-[14px] pb-8"
        tabIndex={0}
        role="region"
        aria-label="What the help says"
      >
        {groups.map((group) => {
          const own = found.filter((t) => t.group === group)
          return own.length === 0 ? null : (
            <section key={group} aria-label={group} className="max-w-[1180px]">
              <h3 className="caption mt-5 border-b border-ink pb-1">{group}</h3>
              <div className="grid grid-cols-[repeat(auto-fill,minmax(340px,1fr))] gap-x-8">
                {own.map((topic) => (
                  <TopicText key={topic.id} topic={topic} />
                ))}
              </div>
            </section>
          )
        })}
      </div>
    </div>
  )
}

function TopicText({ topic: { title, text, to } }: { topic: Topic }) {
  return (
    <article className="border-b border-rule py-3">
      <h4 className="font-semibold">{title}</h4>
      {text.map((paragraph) => (
        <p key={paragraph} className="mt-1">
          {paragraph}
        </p>
      ))}
      {to && (
        <Link to={to.path} className="link mt-1">
          Go to {to.name}
        </Link>
      )}
    </article>
  )
}
