/** The comment as a discussion shows it: Markdown with folded details; nothing else of HTML passes. */
'use client';
import Markdown from 'react-markdown';
import rehypeRaw from 'rehype-raw';
import rehypeSanitize from 'rehype-sanitize';
import remarkGfm from 'remark-gfm';

export default function Comment({ text }: { readonly text: string }) {
  return (
    <div className="discussion text-sm break-words">
      <Markdown
        remarkPlugins={[remarkGfm]}
        rehypePlugins={[rehypeRaw, rehypeSanitize]}
        components={{
          // It stands below the heading of the change.
          h2: 'h4',
          table: ({ children }) => (
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of the comment">
              <table>{children}</table>
            </div>
          ),
        }}
      >
        {text}
      </Markdown>
    </div>
  );
}
