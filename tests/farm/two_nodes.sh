#!/usr/bin/env bash
# A real scheduler (Slurm) with two nodes of one core each on this machine, for the tests of a farm. Needs root.
# usage: two_nodes.sh start DIR | stop DIR | node DIR n1|n2 | full DIR n1|n2 (no file of it may be longer than 8 kB)
set -euo pipefail
what=$1 dir=$2
export SLURM_CONF=$dir/slurm.conf
start_node() {
    setsid slurmd -D -N "$1" -f "$SLURM_CONF" > "$dir/log/$1.out" 2>&1 &
    echo $! > "$dir/$1.started"
}
case $what in
start)
    rm -rf "$dir"
    mkdir -p "$dir"/{state,spool,log,munge}
    chmod 755 "$dir"
    chmod 700 "$dir/munge"
    head -c 1024 /dev/urandom > "$dir/munge/key"
    chmod 400 "$dir/munge/key"
    munged --force --key-file="$dir/munge/key" --socket="$dir/munge.socket" --pid-file="$dir/munge/pid" \
        --log-file="$dir/munge/log" --seed-file="$dir/munge/seed" > /dev/null 2>&1
    host=$(hostname -s)
    cat > "$SLURM_CONF" << CONF
ClusterName=farm
SlurmctldHost=$host(127.0.0.1)
AuthType=auth/munge
AuthInfo=socket=$dir/munge.socket
SlurmUser=root
SlurmdUser=root
StateSaveLocation=$dir/state
SlurmdSpoolDir=$dir/spool/%n
SlurmctldPidFile=$dir/slurmctld.pid
SlurmdPidFile=$dir/%n.pid
SlurmctldLogFile=$dir/log/slurmctld.log
SlurmdLogFile=$dir/log/%n.log
SlurmctldPort=16827
ProctrackType=proctrack/pgid
TaskPlugin=task/none
JobAcctGatherType=jobacct_gather/none
SelectType=select/cons_tres
SelectTypeParameters=CR_Core
ReturnToService=2
SlurmdTimeout=10
MpiDefault=none
MailProg=/bin/true
NodeName=n1 NodeHostname=$host NodeAddr=127.0.0.1 Port=17011 CPUs=1 State=UNKNOWN
NodeName=n2 NodeHostname=$host NodeAddr=127.0.0.1 Port=17012 CPUs=1 State=UNKNOWN
PartitionName=all Nodes=n1,n2 Default=YES MaxTime=INFINITE State=UP
CONF
    printf 'CgroupPlugin=cgroup/v1\nIgnoreSystemd=yes\n' > "$dir/cgroup.conf"
    setsid slurmctld -D -f "$SLURM_CONF" > "$dir/log/slurmctld.out" 2>&1 &
    echo $! > "$dir/slurmctld.started"
    start_node n1
    start_node n2
    for _ in $(seq 60); do
        [ "$(sinfo -h -t idle -o %D 2> /dev/null)" = 2 ] && exit 0
        sleep 0.5
    done
    echo "the nodes did not come up" >&2
    tail -5 "$dir"/log/*.log >&2
    exit 1
    ;;
node) start_node "$3" ;;
full)
    trap '' XFSZ
    ulimit -f 8
    start_node "$3"
    ;;
stop)
    for one in "$dir"/*.started; do kill "$(cat "$one")" 2> /dev/null || true; done
    kill "$(cat "$dir/munge/pid")" 2> /dev/null || true
    ;;
esac
