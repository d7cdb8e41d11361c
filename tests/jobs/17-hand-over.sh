. "$(dirname "$0")/lib.sh"
job "17. Hand over without files in between"
later "listeners, watched folders, hulls"
done_with_job
