. "$(dirname "$0")/lib.sh"
job "14. Body and crest apart"
later "strands and caches"
done_with_job
