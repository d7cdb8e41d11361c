. "$(dirname "$0")/lib.sh"
job "4. A skeleton from guides"
later "guides, plans and first weights"
done_with_job
