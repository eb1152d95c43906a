# bash completion for puretone
_puretone()
{
    local cur=${COMP_WORDS[COMP_CWORD]}
    if [[ $cur == -* ]]; then
        COMPREPLY=($(compgen -W "--help --version --output" -- "$cur"))
    else
        compopt -o default
        COMPREPLY=()
    fi
}

complete -F _puretone puretone
