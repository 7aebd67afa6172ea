export const SHELLS = ['bash', 'zsh'] as const

/** What a shell reads to complete `uldo` by: verbs first, then files; undefined for a shell that is not known. */
export function completionFor(shell: string, verbs: string[]): string | undefined {
  const words = [...verbs, 'completion', '--help', '--version'].join(' ')
  if (shell === 'bash')
    return `_uldo() {
  local word="\${COMP_WORDS[COMP_CWORD]}"
  if [ "$COMP_CWORD" -eq 1 ]; then COMPREPLY=($(compgen -W "${words}" -- "$word"))
  elif [ "\${COMP_WORDS[1]}" = completion ]; then COMPREPLY=($(compgen -W "${SHELLS.join(' ')}" -- "$word"))
  elif [ "\${word#-}" != "$word" ]; then COMPREPLY=($(compgen -W "--help" -- "$word"))
  else COMPREPLY=($(compgen -f -- "$word")); fi
}
complete -o filenames -F _uldo uldo
`
  if (shell === 'zsh')
    return `_uldo() {
  if (( CURRENT == 2 )); then compadd -- ${words}
  elif [[ "\${words[2]}" == completion ]]; then compadd -- ${SHELLS.join(' ')}
  else _files; compadd -- --help; fi
}
compdef _uldo uldo
`
  return undefined
}
