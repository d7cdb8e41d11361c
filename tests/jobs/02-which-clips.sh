. "$(dirname "$0")/lib.sh"
job "2. Which clips go out"
make "figure('hero.gltf', root='root', clips=[nod('idle'), walk('run'), nod('try_out', 'spine')])"
job_file hero "['hero.gltf']" "[{'step': 'join_clips', 'clips': ['idle', 'run'], 'name': 'idle_run'},
    {'step': 'describe_clips', 'clips': [{'name': 'try_out', 'deliver': False}]}]"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:idle', 'clip:run', 'clip:idle_run']"
ends 0 deliver hero.wembrix --only idle --all --json
holds "[r['deliverable'] for x in d['deliveries'] for r in x['deliverables']] == ['clip:idle']"
job_file none "['hero.gltf']" "[{'step': 'leave_behind', 'names': ['*']}]"
ends 2 deliver none.wembrix
holds "'nothing to deliver' in text or 'left nothing' in text"
later "motion of a control skeleton on the engine's"
done_with_job
