. "$(dirname "$0")/lib.sh"
job "13. An old game's figure with all motions on one line"
make "figure('imp.gltf', root='root', clips=[walk('line', frames=181)])"
printf '\xef\xbb\xbfname;from_s;to_s;loop\r\n"stand; idle";0;1,5;yes\r\nrun;1,5;4;no\r\nfall;4;6;no\r\n' > ranges.csv
job_file imp "['imp.gltf']" "[]"
ends 0 cuts imp.wembrix --from ranges.csv
ends 0 cuts imp.wembrix
holds "'run,45,120' in text and '\"stand; idle\",0,45,yes' in text"
ends 0 deliver imp.wembrix --json
holds "arrived() == ['model', 'clip:stand; idle', 'clip:run', 'clip:fall']"
holds "[c['frames'] for c in json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['clips']] == [46, 76, 61]"
printf 'name,start,end\nrun,100,99999\n' > late.csv
ends 2 cuts imp.wembrix --from late.csv
ends 0 cuts imp.wembrix
holds "'run,45,120' in text"
job_file whole "['imp.gltf']" "[{'step': 'bake', 'rate': 30}]"
ends 0 deliver whole.wembrix --json
both="json.load(open(glob.glob('deliveries/*/delivery.json')[0]))"
holds "[(m['job'], len(m['clips'])) for m in [$both] + $both['others']] == [('imp', 3), ('whole', 1)]" # neither took the other's
holds "[c['frames'] for c in $both['others'][0]['clips'] if c['name'] == 'line'] == [181]"
done_with_job
