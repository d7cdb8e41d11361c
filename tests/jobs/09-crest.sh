. "$(dirname "$0")/lib.sh"
job "9. A crest of hair"
later "strands"
done_with_job
