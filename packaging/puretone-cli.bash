# bash completion for puretone-cli
_puretone_cli()
{
    local cur=${COMP_WORDS[COMP_CWORD]} prev=${COMP_WORDS[COMP_CWORD-1]} options
    if ((COMP_CWORD == 1)); then
        COMPREPLY=($(compgen -W "analyze build split render info --help --version" -- "$cur"))
        return
    fi
    case ${COMP_WORDS[1]} in
        analyze|info) options="--json" ;;
        build) options="-o --root --keys --no-loop --names --row --follow --velocity-by-level --plan" ;;
        split) options="-o --silences --json" ;;
        render) options="-o --midi --notes --rate" ;;
    esac
    if [[ $cur == -* ]]; then
        COMPREPLY=($(compgen -W "$options --help" -- "$cur"))
    else
        compopt -o default
        COMPREPLY=()
    fi
}

complete -F _puretone_cli puretone-cli
