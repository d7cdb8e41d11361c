. "$(dirname "$0")/lib.sh"
job "16. Ranges in colour"
make "figure('hero.gltf', root='root', clips=[walk('take', frames=121)])"
printf 'name,start,end,loop,colour,note,deliver\ncalm,0,60,yes,#2F8A72,first,yes\nplay,60,120,no,#4B78A8,,no\n' > cuts.csv
job_file hero "['hero.gltf']" "[]"
ends 0 cuts hero.wembrix --from cuts.csv
ends 0 cuts hero.wembrix
holds "'calm,0,60,yes,#2F8A72,first,yes' in text and 'play,60,120,no,#4B78A8,,no' in text"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:calm']"
# The colour goes along: in the manifest, and over the live hand-over (live_test).
holds "[(c['name'], c['colour']) for c in json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['clips']] == [('calm', '#2F8A72')]"
done_with_job
