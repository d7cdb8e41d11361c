. "$(dirname "$0")/lib.sh"
job "12. Animating on one skeleton for another"
later "motion of other skeletons"
done_with_job
