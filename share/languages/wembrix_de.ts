<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>Wembrix</name>
    <message>
        <source>
The surface looks along X: turn it before you build, so that left and right are mirrored across X.</source>
        <translation>
Die Oberfläche schaut entlang X: drehen Sie sie vor dem Bauen, damit links und rechts über X gespiegelt sind.</translation>
    </message>
    <message>
        <source>
… and %1 more</source>
        <translation>
… und %1 weitere</translation>
    </message>
    <message>
        <source> %</source>
        <translation> %</translation>
    </message>
    <message>
        <source> &amp;nbsp; &lt;a href="lift" style="color:%1"&gt;Lift them&lt;/a&gt; &amp;nbsp; &lt;a href="cut" style="color:%1"&gt;Cut them&lt;/a&gt;</source>
        <translation> &amp;nbsp; &lt;a href="lift" style="color:%1"&gt;Anheben&lt;/a&gt; &amp;nbsp; &lt;a href="cut" style="color:%1"&gt;Abschneiden&lt;/a&gt;</translation>
    </message>
    <message>
        <source> (drift {:.4f} mm)</source>
        <translation> (Drift {:.4f} mm)</translation>
    </message>
    <message>
        <source> ({} → {} bytes)</source>
        <translation> ({} → {} Bytes)</translation>
    </message>
    <message>
        <source> Between frames %1 mm at %2, frame %3: what the rate leaves out.</source>
        <translation> Zwischen den Bildern %1 mm bei %2, Bild %3: was die Rate auslässt.</translation>
    </message>
    <message>
        <source> Nearest is frame %1: %2 mm.</source>
        <translation> Am nächsten ist Bild %1: %2 mm.</translation>
    </message>
    <message>
        <source> The body under it is shown moving as Prepared does.</source>
        <translation> Der Körper darunter bewegt sich in der Darstellung wie im Vorbereiteten.</translation>
    </message>
    <message>
        <source> What it holds is in none of the files.</source>
        <translation> Was sie enthält, ist in keiner der Dateien.</translation>
    </message>
    <message>
        <source> about {}</source>
        <translation> um {}</translation>
    </message>
    <message>
        <source> and mirrors</source>
        <translation> und spiegelt</translation>
    </message>
    <message>
        <source> and {} more</source>
        <translation> und {} weitere</translation>
    </message>
    <message>
        <source> as it came</source>
        <translation>, wie es kam</translation>
    </message>
    <message>
        <source> as shapes</source>
        <translation> als Formen</translation>
    </message>
    <message>
        <source> as textures</source>
        <translation> als Texturen</translation>
    </message>
    <message>
        <source> at rest</source>
        <translation> in der Ruhe</translation>
    </message>
    <message>
        <source> came in</source>
        <translation> kam herein</translation>
    </message>
    <message>
        <source> cannot stand there; rename them by a rule</source>
        <translation> kann dort nicht stehen; benennen Sie sie durch eine Regel um</translation>
    </message>
    <message>
        <source> carried over</source>
        <translation> übertragen</translation>
    </message>
    <message>
        <source> cm</source>
        <translation> cm</translation>
    </message>
    <message>
        <source> fps</source>
        <translation> B/s</translation>
    </message>
    <message>
        <source> frames</source>
        <translation> Bilder</translation>
    </message>
    <message>
        <source> has no place for it</source>
        <translation> hat dafür keinen Platz</translation>
    </message>
    <message>
        <source> in one file</source>
        <translation> in einer Datei</translation>
    </message>
    <message>
        <source> is not given files of that kind</source>
        <translation> bekommt keine Dateien dieser Art</translation>
    </message>
    <message>
        <source> is one</source>
        <translation> ist eines</translation>
    </message>
    <message>
        <source> joints name a left and a right side</source>
        <translation> Gelenke nennen eine linke und eine rechte Seite</translation>
    </message>
    <message>
        <source> left out</source>
        <translation> weggelassen</translation>
    </message>
    <message>
        <source> m/s</source>
        <translation> m/s</translation>
    </message>
    <message>
        <source> makes it</source>
        <translation> bewirkt es</translation>
    </message>
    <message>
        <source> mm</source>
        <translation> mm</translation>
    </message>
    <message>
        <source> moves {:.3f} m</source>
        <translation> bewegt sich {:.3f} m</translation>
    </message>
    <message>
        <source> names no container for strands and caches</source>
        <translation> nennt kein Format für Strähnen und Caches</translation>
    </message>
    <message>
        <source> of %1</source>
        <translation> von %1</translation>
    </message>
    <message>
        <source> of quality {}</source>
        <translation> der Qualität {}</translation>
    </message>
    <message>
        <source> of the rest pose</source>
        <translation> der Ruhepose</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source> stays still</source>
        <translation> steht still</translation>
    </message>
    <message>
        <source> with something in it</source>
        <translation> mit etwas darin</translation>
    </message>
    <message>
        <source> without {}</source>
        <translation> ohne {}</translation>
    </message>
    <message>
        <source> {} takes {:g} mm.</source>
        <translation> {} nimmt {:g} mm.</translation>
    </message>
    <message>
        <source> · %1 held</source>
        <translation> · %1 angehalten</translation>
    </message>
    <message>
        <source> · %1 infl.</source>
        <translation> · %1 Einfl.</translation>
    </message>
    <message>
        <source> · %1 of %2 takes</source>
        <translation> · %1 von %2 Aufnahmen</translation>
    </message>
    <message>
        <source> · another joint has this name, capitals ignored</source>
        <translation> · ein anderes Gelenk heißt so, Großschreibung außer Acht</translation>
    </message>
    <message>
        <source> · contract: %1</source>
        <translation> · Vertrag: %1</translation>
    </message>
    <message>
        <source> · drift %1</source>
        <translation> · Drift %1</translation>
    </message>
    <message>
        <source> · made by a step</source>
        <translation> · durch einen Schritt entstanden</translation>
    </message>
    <message>
        <source> · not skinned</source>
        <translation> · ohne Skin</translation>
    </message>
    <message>
        <source> · playing</source>
        <translation> · läuft</translation>
    </message>
    <message>
        <source> · probably its “%1” (%2): click there to take it, or right-click for another</source>
        <translation> · wohl dessen „%1“ (%2): dort klicken, um es zu nehmen, oder rechts klicken für ein anderes</translation>
    </message>
    <message>
        <source> · removed; it had no weights</source>
        <translation> · entfernt; es hatte keine Gewichte</translation>
    </message>
    <message>
        <source> · removed; the dashed line leads to who has the weights of its %1 now</source>
        <translation> · entfernt; die gestrichelte Linie führt zu dem, der die Gewichte seiner %1 jetzt hat</translation>
    </message>
    <message>
        <source> · weights on %1 · drag it onto its new parent</source>
        <translation> · Gewichte auf %1 · ziehen Sie es auf sein neues Übergeordnetes</translation>
    </message>
    <message>
        <source> ×</source>
        <translation> ×</translation>
    </message>
    <message>
        <source>" holds data of its own and cannot be carried over.</source>
        <translation>“ enthält eigene Daten und lässt sich nicht mitführen.</translation>
    </message>
    <message>
        <source>" is a cut that is not baked yet.</source>
        <translation>“ ist ein Schnitt, der noch nicht gebacken ist.</translation>
    </message>
    <message>
        <source>", outside the folder of the file.</source>
        <translation>“, außerhalb des Ordners der Datei.</translation>
    </message>
    <message>
        <source>", which Wembrix does not read.</source>
        <translation>“, die Wembrix nicht liest.</translation>
    </message>
    <message>
        <source>", which cannot be read.</source>
        <translation>“, das nicht zu lesen ist.</translation>
    </message>
    <message>
        <source>", which is not a file beside it.</source>
        <translation>“, das keine Datei daneben ist.</translation>
    </message>
    <message>
        <source>", which it cannot have.</source>
        <translation>“, den es nicht haben kann.</translation>
    </message>
    <message>
        <source>"; only files beside it are read.</source>
        <translation>“; nur Dateien daneben werden gelesen.</translation>
    </message>
    <message>
        <source>"as" is automatic, model, part, take, shapes, strands or prop; "rest" is first or part.</source>
        <translation>„as“ ist automatic, model, part, take, shapes, strands oder prop; „rest“ ist first oder part.</translation>
    </message>
    <message>
        <source>"bone" and "up" are the same axis.</source>
        <translation>„bone“ und „up“ sind dieselbe Achse.</translation>
    </message>
    <message>
        <source>"bone_axis" and "up_axis" are the same axis.</source>
        <translation>„bone_axis“ und „up_axis“ sind dieselbe Achse.</translation>
    </message>
    <message>
        <source>"chains" is not a list of chains.</source>
        <translation>„chains“ ist keine Liste von Ketten.</translation>
    </message>
    <message>
        <source>"clip_keys" is neither "every_frame" nor "own_rate" nor "as_prepared" nor "fewest".</source>
        <translation>„clip_keys“ ist weder „every_frame“ noch „own_rate“ noch „as_prepared“ noch „fewest“.</translation>
    </message>
    <message>
        <source>"deliverables" is not a list of kinds of files.</source>
        <translation>„deliverables“ ist keine Liste von Arten von Dateien.</translation>
    </message>
    <message>
        <source>"deliverables": {} is no kind of file{}</source>
        <translation>„deliverables“: {} ist keine Art von Datei{}</translation>
    </message>
    <message>
        <source>"file_forward" is +Y or -Y, which is up in the file.</source>
        <translation>„file_forward“ ist +Y oder -Y, was in der Datei oben ist.</translation>
    </message>
    <message>
        <source>"folder" is no path.</source>
        <translation>„folder“ ist kein Pfad.</translation>
    </message>
    <message>
        <source>"format_options" is not an object.</source>
        <translation>„format_options“ ist kein Objekt.</translation>
    </message>
    <message>
        <source>"format_options", "{}": {}</source>
        <translation>„format_options“, „{}“: {}</translation>
    </message>
    <message>
        <source>"format_options": there is no format "{}".</source>
        <translation>„format_options“: es gibt kein Format „{}“.</translation>
    </message>
    <message>
        <source>"from_s" and "to_s" are beyond any take.</source>
        <translation>„from_s“ und „to_s“ liegen hinter jeder Aufnahme.</translation>
    </message>
    <message>
        <source>"guides" is not one list of points [x, y, z] a copy, all of one length.</source>
        <translation>„guides“ ist keine Liste von Punkten [x, y, z] je Kopie, alle von einer Länge.</translation>
    </message>
    <message>
        <source>"hulls" is neither "below" nor "beside" nor "node_data" nor "left_out".</source>
        <translation>„hulls“ ist weder „below“ noch „beside“ noch „node_data“ noch „left_out“.</translation>
    </message>
    <message>
        <source>"images" is neither "as_they_are" nor "png" nor "jpeg" nor "webp".</source>
        <translation>„images“ ist weder „as_they_are“ noch „png“ noch „jpeg“ noch „webp“.</translation>
    </message>
    <message>
        <source>"influences_kept" is neither "heaviest" nor "least_motion".</source>
        <translation>„influences_kept“ ist weder „heaviest“ noch „least_motion“.</translation>
    </message>
    <message>
        <source>"limits_deg" is not a list, one a joint.</source>
        <translation>„limits_deg“ ist keine Liste, eine je Gelenk.</translation>
    </message>
    <message>
        <source>"name" is empty.</source>
        <translation>„name“ ist leer.</translation>
    </message>
    <message>
        <source>"names" is not a list of names.</source>
        <translation>„names“ ist keine Liste von Namen.</translation>
    </message>
    <message>
        <source>"names_only" is neither true nor false.</source>
        <translation>„names_only“ ist weder true noch false.</translation>
    </message>
    <message>
        <source>"numbers" is neither "as_prepared" nor "rounded".</source>
        <translation>„numbers“ ist weder „as_prepared“ noch „rounded“.</translation>
    </message>
    <message>
        <source>"picture_ground" is neither a colour such as "#fbfbf8" nor "none".</source>
        <translation>„picture_ground“ ist weder eine Farbe wie „#fbfbf8“ noch „none“.</translation>
    </message>
    <message>
        <source>"pictures" is less than 64 pixels, and more than none.</source>
        <translation>„pictures“ ist weniger als 64 Pixel und mehr als keines.</translation>
    </message>
    <message>
        <source>"reads" does not take "{}" so; it has up, forward, unit_m and handedness.</source>
        <translation>„reads“ nimmt „{}“ so nicht; es hat up, forward, unit_m und handedness.</translation>
    </message>
    <message>
        <source>"reads" is not an object.</source>
        <translation>„reads“ ist kein Objekt.</translation>
    </message>
    <message>
        <source>"reads": "up" and "forward" lie on one line, or "unit_m" is no length.</source>
        <translation>„reads“: „up“ und „forward“ liegen auf einer Linie, oder „unit_m“ ist keine Länge.</translation>
    </message>
    <message>
        <source>"role" is none of {}.</source>
        <translation>„role“ ist keines von {}.</translation>
    </message>
    <message>
        <source>"start" and "end" are not both whole frame numbers.</source>
        <translation>„start“ und „end“ sind nicht beide ganze Bildnummern.</translation>
    </message>
    <message>
        <source>"tangent" is none of {}.</source>
        <translation>„tangent“ ist keines von {}.</translation>
    </message>
    <message>
        <source>"up" and "forward" lie on one line.</source>
        <translation>„up“ und „forward“ liegen auf einer Linie.</translation>
    </message>
    <message>
        <source>"what" is none of translation_x_mm, rotation_x_deg, scale_x (and y, z) and weight.</source>
        <translation>„what“ ist keines von translation_x_mm, rotation_x_deg, scale_x (und y, z) und weight.</translation>
    </message>
    <message>
        <source>"{}" cannot be a file name.</source>
        <translation>„{}“ kann kein Dateiname sein.</translation>
    </message>
    <message>
        <source>"{}" does not hang on "{}".</source>
        <translation>„{}“ hängt nicht an „{}“.</translation>
    </message>
    <message>
        <source>"{}" grows on no surface.</source>
        <translation>„{}“ wächst auf keiner Oberfläche.</translation>
    </message>
    <message>
        <source>"{}" hangs on "{}", which does not stand before it.</source>
        <translation>„{}“ hängt an „{}“, das nicht davor steht.</translation>
    </message>
    <message>
        <source>"{}" has no id.</source>
        <translation>„{}“ hat keine Kennung.</translation>
    </message>
    <message>
        <source>"{}" has no lines.</source>
        <translation>„{}“ hat keine Linien.</translation>
    </message>
    <message>
        <source>"{}" has no size: its scale is 0.</source>
        <translation>„{}“ hat keine Größe: seine Skalierung ist 0.</translation>
    </message>
    <message>
        <source>"{}" has no strands yet.</source>
        <translation>„{}“ hat noch keine Strähnen.</translation>
    </message>
    <message>
        <source>"{}" has the scale {:.4g}, and a BVH has none.</source>
        <translation>„{}“ hat die Skalierung {:.4g}, und eine BVH hat keine.</translation>
    </message>
    <message>
        <source>"{}" has {} numbers where {} are expected.</source>
        <translation>„{}“ hat {} Zahlen, wo {} erwartet werden.</translation>
    </message>
    <message>
        <source>"{}" holds a null.</source>
        <translation>„{}“ enthält ein null.</translation>
    </message>
    <message>
        <source>"{}" holds a value that is not a number.</source>
        <translation>„{}“ enthält einen Wert, der keine Zahl ist.</translation>
    </message>
    <message>
        <source>"{}" holds something that is not 32 hexadecimal digits.</source>
        <translation>„{}“ enthält etwas, das keine 32 hexadezimalen Ziffern sind.</translation>
    </message>
    <message>
        <source>"{}" holds something that is not a text.</source>
        <translation>„{}“ enthält etwas, das kein Text ist.</translation>
    </message>
    <message>
        <source>"{}" in "{}" is not set to a text.</source>
        <translation>„{}“ in „{}“ ist nicht auf einen Text gesetzt.</translation>
    </message>
    <message>
        <source>"{}" in "{}" is {}.</source>
        <translation>„{}“ in „{}“ ist {}.</translation>
    </message>
    <message>
        <source>"{}" in its extras may be a place in the file; it is carried as it is, and things may stand elsewhere.</source>
        <translation>„{}“ in seinen Zusatzangaben kann ein Platz in der Datei sein; es wird mitgeführt, wie es ist, und Dinge stehen vielleicht anderswo.</translation>
    </message>
    <message>
        <source>"{}" is "{}", which glTF does not know.</source>
        <translation>„{}“ ist „{}“, was glTF nicht kennt.</translation>
    </message>
    <message>
        <source>"{}" is a skinned surface: its joints place it, not what it hangs on.</source>
        <translation>„{}“ ist eine Oberfläche unter einem Skin: ihre Gelenke setzen sie, nicht das, woran sie hängt.</translation>
    </message>
    <message>
        <source>"{}" is empty.</source>
        <translation>„{}“ ist leer.</translation>
    </message>
    <message>
        <source>"{}" is neither "right" nor "left".</source>
        <translation>„{}“ ist weder „right“ noch „left“.</translation>
    </message>
    <message>
        <source>"{}" is neither here nor slurm, and has no {{command}} in it.</source>
        <translation>„{}“ ist weder here noch slurm und enthält kein {{command}}.</translation>
    </message>
    <message>
        <source>"{}" is neither true nor false.</source>
        <translation>„{}“ ist weder true noch false.</translation>
    </message>
    <message>
        <source>"{}" is neither yes nor no.</source>
        <translation>„{}“ ist weder ja noch nein.</translation>
    </message>
    <message>
        <source>"{}" is no axis: +X, -Y and so on.</source>
        <translation>„{}“ ist keine Achse: +X, -Y und so weiter.</translation>
    </message>
    <message>
        <source>"{}" is no axis; an axis is one of +X -X +Y -Y +Z -Z.</source>
        <translation>„{}“ ist keine Achse; eine Achse ist eine von +X -X +Y -Y +Z -Z.</translation>
    </message>
    <message>
        <source>"{}" is no container for strands and caches.</source>
        <translation>„{}“ ist kein Format für Strähnen und Caches.</translation>
    </message>
    <message>
        <source>"{}" is no container that Wembrix writes.</source>
        <translation>„{}“ ist kein Format, das Wembrix schreibt.</translation>
    </message>
    <message>
        <source>"{}" is no container that strands and caches can go out in.</source>
        <translation>„{}“ ist kein Format, in dem Strähnen und Caches hinausgehen können.</translation>
    </message>
    <message>
        <source>"{}" is none of {}.</source>
        <translation>„{}“ ist keines von {}.</translation>
    </message>
    <message>
        <source>"{}" is not 32 hexadecimal digits.</source>
        <translation>„{}“ sind keine 32 hexadezimalen Ziffern.</translation>
    </message>
    <message>
        <source>"{}" is not a count.</source>
        <translation>„{}“ ist keine Anzahl.</translation>
    </message>
    <message>
        <source>"{}" is not a list of objects.</source>
        <translation>„{}“ ist keine Liste von Objekten.</translation>
    </message>
    <message>
        <source>"{}" is not a list.</source>
        <translation>„{}“ ist keine Liste.</translation>
    </message>
    <message>
        <source>"{}" is not a number from {:g} to {:g}.</source>
        <translation>„{}“ ist keine Zahl von {:g} bis {:g}.</translation>
    </message>
    <message>
        <source>"{}" is not a number.</source>
        <translation>„{}“ ist keine Zahl.</translation>
    </message>
    <message>
        <source>"{}" is not a regular expression that can be used: {}.</source>
        <translation>„{}“ ist kein brauchbarer regulärer Ausdruck: {}.</translation>
    </message>
    <message>
        <source>"{}" is not a text.</source>
        <translation>„{}“ ist kein Text.</translation>
    </message>
    <message>
        <source>"{}" is not a text{}.</source>
        <translation>„{}“ ist kein Text{}.</translation>
    </message>
    <message>
        <source>"{}" is not a whole number from {} to {}.</source>
        <translation>„{}“ ist keine ganze Zahl von {} bis {}.</translation>
    </message>
    <message>
        <source>"{}" is not a whole number.</source>
        <translation>„{}“ ist keine ganze Zahl.</translation>
    </message>
    <message>
        <source>"{}" is not an object of texts.</source>
        <translation>„{}“ ist kein Objekt aus Texten.</translation>
    </message>
    <message>
        <source>"{}" is not an object.</source>
        <translation>„{}“ ist kein Objekt.</translation>
    </message>
    <message>
        <source>"{}" is not between {:g} and {:g}{}.</source>
        <translation>„{}“ liegt nicht zwischen {:g} und {:g}{}.</translation>
    </message>
    <message>
        <source>"{}" is not {} {:g}{}.</source>
        <translation>„{}“ ist nicht {} {:g}{}.</translation>
    </message>
    <message>
        <source>"{}" is the root itself.</source>
        <translation>„{}“ ist selbst die Wurzel.</translation>
    </message>
    <message>
        <source>"{}" is there already, and carries no strands.</source>
        <translation>„{}“ ist schon da und trägt keine Strähnen.</translation>
    </message>
    <message>
        <source>"{}" is to take the weights and is removed itself.</source>
        <translation>„{}“ soll die Gewichte nehmen und wird selbst entfernt.</translation>
    </message>
    <message>
        <source>"{}" is {}, but there are only {}.</source>
        <translation>„{}“ ist {}, doch es gibt nur {}.</translation>
    </message>
    <message>
        <source>"{}" is {}.</source>
        <translation>„{}“ ist {}.</translation>
    </message>
    <message>
        <source>"{}" needs three numbers of "translation_m" and four of "rotation_xyzw".</source>
        <translation>„{}“ braucht drei Zahlen „translation_m“ und vier „rotation_xyzw“.</translation>
    </message>
    <message>
        <source>"{}" stands where "{}" is expected</source>
        <translation>„{}“ steht, wo „{}“ erwartet wird</translation>
    </message>
    <message>
        <source>"{}" stands where {} is expected</source>
        <translation>„{}“ steht, wo {} erwartet wird</translation>
    </message>
    <message>
        <source>"{}" would hang on itself.</source>
        <translation>„{}“ hinge an sich selbst.</translation>
    </message>
    <message>
        <source>"{}…" is too long for a path.</source>
        <translation>„{}…“ ist zu lang für einen Pfad.</translation>
    </message>
    <message>
        <source>$1 stands for what the first group found; ## for a number of two digits, counted in the order of the joints</source>
        <translation>$1 steht für das, was die erste Gruppe fand; ## für eine Zahl mit zwei Ziffern, in der Reihenfolge der Gelenke gezählt</translation>
    </message>
    <message>
        <source>%1</source>
        <translation>%1</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1 % of the strands, while it moves</source>
        <translation>%1 % der Strähnen, solange es sich bewegt</translation>
    </message>
    <message>
        <source>%1 % of the vertices, while it moves</source>
        <translation>%1 % der Punkte, solange es sich bewegt</translation>
    </message>
    <message>
        <source>%1 % sent</source>
        <translation>%1 % gesendet</translation>
    </message>
    <message>
        <source>%1 %2 / %3</source>
        <translation>%1 %2 / %3</translation>
    </message>
    <message>
        <source>%1 (%2 %)</source>
        <translation>%1 (%2 %)</translation>
    </message>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
    <message>
        <source>%1 (%2–%3)</source>
        <translation>%1 (%2–%3)</translation>
    </message>
    <message>
        <source>%1 (locked)</source>
        <translation>%1 (gesperrt)</translation>
    </message>
    <message>
        <source>%1 (step %2)</source>
        <translation>%1 (Schritt %2)</translation>
    </message>
    <message>
        <source>%1 (whole take)</source>
        <translation>%1 (ganze Aufnahme)</translation>
    </message>
    <message>
        <source>%1 MB</source>
        <translation>%1 MB</translation>
    </message>
    <message>
        <source>%1 and %2 more</source>
        <translation>%1 und %2 weitere</translation>
    </message>
    <message>
        <source>%1 arrived</source>
        <translation>%1 angekommen</translation>
    </message>
    <message>
        <source>%1 at frame %2</source>
        <translation>%1 bei Bild %2</translation>
    </message>
    <message>
        <source>%1 beside %2</source>
        <translation>%1 neben %2</translation>
    </message>
    <message>
        <source>%1 cannot be written to.</source>
        <translation>In %1 kann nicht geschrieben werden.</translation>
    </message>
    <message>
        <source>%1 cannot be written.</source>
        <translation>%1 lässt sich nicht schreiben.</translation>
    </message>
    <message>
        <source>%1 changed and cannot be read: %2</source>
        <translation>%1 hat sich geändert und lässt sich nicht lesen: %2</translation>
    </message>
    <message>
        <source>%1 changed: %2.</source>
        <translation>%1 hat sich geändert: %2.</translation>
    </message>
    <message>
        <source>%1 does as %2</source>
        <translation>%1 tut wie %2</translation>
    </message>
    <message>
        <source>%1 due</source>
        <translation>%1 fällig</translation>
    </message>
    <message>
        <source>%1 held</source>
        <translation>%1 angehalten</translation>
    </message>
    <message>
        <source>%1 here  X %2  Y %3  Z %4 %5</source>
        <translation>%1 hier  X %2  Y %3  Z %4 %5</translation>
    </message>
    <message>
        <source>%1 holds no project of that engine: it has no file project.godot.</source>
        <translation>%1 enthält kein Projekt dieser Engine: es hat keine Datei project.godot.</translation>
    </message>
    <message>
        <source>%1 holds no scene. %2</source>
        <translation>%1 enthält keine Szene. %2</translation>
    </message>
    <message>
        <source>%1 hulls, %2 litres together</source>
        <translation>%1 Hüllen, zusammen %2 Liter</translation>
    </message>
    <message>
        <source>%1 hulls; being measured</source>
        <translation>%1 Hüllen; wird gemessen</translation>
    </message>
    <message>
        <source>%1 images cannot be shown</source>
        <translation>%1 Bilder können nicht gezeigt werden</translation>
    </message>
    <message>
        <source>%1 in place of %2</source>
        <translation>%1 an Stelle von %2</translation>
    </message>
    <message>
        <source>%1 is %2</source>
        <translation>%1 ist %2</translation>
    </message>
    <message>
        <source>%1 is gone; what was read of it is still shown.</source>
        <translation>%1 ist fort; was davon gelesen wurde, wird weiter gezeigt.</translation>
    </message>
    <message>
        <source>%1 is not there.</source>
        <translation>%1 ist nicht da.</translation>
    </message>
    <message>
        <source>%1 is the chain, %2 counts, %3 is the side token</source>
        <translation>%1 ist die Kette, %2 zählt, %3 ist das Seitenzeichen</translation>
    </message>
    <message>
        <source>%1 is the contract's %2</source>
        <translation>%1 ist %2 des Vertrags</translation>
    </message>
    <message>
        <source>%1 is there already.</source>
        <translation>%1 ist schon da.</translation>
    </message>
    <message>
        <source>%1 joints in %2</source>
        <translation>%1 Gelenke in %2</translation>
    </message>
    <message>
        <source>%1 kB</source>
        <translation>%1 kB</translation>
    </message>
    <message>
        <source>%1 left behind</source>
        <translation>%1 zurückgelassen</translation>
    </message>
    <message>
        <source>%1 listeners are here already</source>
        <translation>%1 Zuhörer sind schon hier</translation>
    </message>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
    <message>
        <source>%1 m is %2 u</source>
        <translation>%1 m sind %2 u</translation>
    </message>
    <message>
        <source>%1 m tall</source>
        <translation>%1 m groß</translation>
    </message>
    <message>
        <source>%1 m tall, frame %2</source>
        <translation>%1 m groß, Bild %2</translation>
    </message>
    <message>
        <source>%1 m to the joint below</source>
        <translation>%1 m bis zum Gelenk darunter</translation>
    </message>
    <message>
        <source>%1 m/s²</source>
        <translation>%1 m/s²</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>%1 mm %2 than its mirror</source>
        <translation>%1 mm %2 als sein Spiegelbild</translation>
    </message>
    <message>
        <source>%1 mm aside, %2 mm %3</source>
        <translation>%1 mm seitlich, %2 mm %3</translation>
    </message>
    <message>
        <source>%1 mm from its mirror image</source>
        <translation>%1 mm von seinem Spiegelbild</translation>
    </message>
    <message>
        <source>%1 mm off the middle, %2 mm thick</source>
        <translation>%1 mm neben der Mitte, %2 mm dick</translation>
    </message>
    <message>
        <source>%1 names clash; change the rule so that all names differ.</source>
        <translation>%1 Namen kollidieren; ändern Sie die Regel, sodass sich alle Namen unterscheiden.</translation>
    </message>
    <message>
        <source>%1 of %2 arrived%3</source>
        <translation>%1 von %2 kam an%3</translation>
    </message>
    <message>
        <source>%1 of %2 clips</source>
        <translation>%1 von %2 Clips</translation>
    </message>
    <message>
        <source>%1 of %2 findings have a ready step</source>
        <translation>%1 von %2 Befunden haben einen fertigen Schritt</translation>
    </message>
    <message>
        <source>%1 of %2 guides placed · left and right alike within %3 mm, about X = %4 mm</source>
        <translation>%1 von %2 Leitpunkten gesetzt · links und rechts gleich bis auf %3 mm, um X = %4 mm</translation>
    </message>
    <message>
        <source>%1 of %2 names change, none clashes.</source>
        <translation>%1 von %2 Namen ändern sich, keiner kollidiert.</translation>
    </message>
    <message>
        <source>%1 of %2 not up to date: deliver first</source>
        <translation>%1 von %2 nicht aktuell: zuerst ausliefern</translation>
    </message>
    <message>
        <source>%1 of a vertex</source>
        <translation>%1 eines Punktes</translation>
    </message>
    <message>
        <source>%1 of another length than 1</source>
        <translation>%1 von anderer Länge als 1</translation>
    </message>
    <message>
        <source>%1 of “%2” chosen</source>
        <translation>%1 von „%2“ gewählt</translation>
    </message>
    <message>
        <source>%1 of “%2”%3</source>
        <translation>%1 von „%2“%3</translation>
    </message>
    <message>
        <source>%1 pairs, %2 of them unlike by more than 0.1 mm</source>
        <translation>%1 Paare, %2 davon um mehr als 0,1 mm ungleich</translation>
    </message>
    <message>
        <source>%1 pairs, all the same within 0.1 mm</source>
        <translation>%1 Paare, alle gleich bis auf 0,1 mm</translation>
    </message>
    <message>
        <source>%1 parent transforms</source>
        <translation>%1 Transformationen darüber</translation>
    </message>
    <message>
        <source>%1 parent transforms rotate or scale</source>
        <translation>%1 Transformationen darüber drehen oder skalieren</translation>
    </message>
    <message>
        <source>%1 points</source>
        <translation>%1 Punkte</translation>
    </message>
    <message>
        <source>%1 renamed &amp;nbsp; %2 added &amp;nbsp; %3 removed, weights along the dashed line &amp;nbsp; %4 reparented</source>
        <translation>%1 umbenannt &amp;nbsp; %2 neu &amp;nbsp; %3 entfernt, Gewichte entlang der gestrichelten Linie &amp;nbsp; %4 umgehängt</translation>
    </message>
    <message>
        <source>%1 rests</source>
        <translation>%1 ruht</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>%1 stands from frame %2 to %3 and slides %4 mm</source>
        <translation>%1 steht von Bild %2 bis %3 und rutscht %4 mm</translation>
    </message>
    <message>
        <source>%1 steps no longer do all they did.</source>
        <translation>%1 Schritte tun nicht mehr alles, was sie taten.</translation>
    </message>
    <message>
        <source>%1 to %2 %3</source>
        <translation>%1 bis %2 %3</translation>
    </message>
    <message>
        <source>%1 to %2 mm wide</source>
        <translation>%1 bis %2 mm breit</translation>
    </message>
    <message>
        <source>%1 travels %2 m</source>
        <translation>%1 legt %2 m zurück</translation>
    </message>
    <message>
        <source>%1 vertices and %2 joints</source>
        <translation>%1 Punkte und %2 Gelenke</translation>
    </message>
    <message>
        <source>%1 vertices have %2 influences. Click to see where.</source>
        <translation>%1 Punkte haben %2 Einflüsse. Klicken zeigt, wo.</translation>
    </message>
    <message>
        <source>%1 vertices of %2; weights are their means</source>
        <translation>%1 Punkte von %2; Gewichte sind ihre Mittel</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>%1 · %2 fps</source>
        <translation>%1 · %2 B/s</translation>
    </message>
    <message>
        <source>%1 × %2 px</source>
        <translation>%1 × %2 px</translation>
    </message>
    <message>
        <source>%1 … %2</source>
        <translation>%1 … %2</translation>
    </message>
    <message>
        <source>%1%2 – Wembrix</source>
        <translation>%1%2 – Wembrix</translation>
    </message>
    <message>
        <source>%1, %2 chosen</source>
        <translation>%1, %2 gewählt</translation>
    </message>
    <message>
        <source>%1, %2 each</source>
        <translation>%1, je %2</translation>
    </message>
    <message>
        <source>%1, %2 of them shared</source>
        <translation>%1, %2 davon geteilt</translation>
    </message>
    <message>
        <source>%1, %2, %3</source>
        <translation>%1, %2, %3</translation>
    </message>
    <message>
        <source>%1, %2, %3 m</source>
        <translation>%1, %2, %3 m</translation>
    </message>
    <message>
        <source>%1, and %2 more</source>
        <translation>%1, und %2 weitere</translation>
    </message>
    <message>
        <source>%1, both</source>
        <translation>%1, beide</translation>
    </message>
    <message>
        <source>%1, both, %2 each</source>
        <translation>%1, beide, je %2</translation>
    </message>
    <message>
        <source>%1, by its content</source>
        <translation>%1, am Inhalt erkannt</translation>
    </message>
    <message>
        <source>%1, by its name</source>
        <translation>%1, am Namen erkannt</translation>
    </message>
    <message>
        <source>%1, contract: %2</source>
        <translation>%1, Vertrag: %2</translation>
    </message>
    <message>
        <source>%1, first and last counted</source>
        <translation>%1, erstes und letztes mitgezählt</translation>
    </message>
    <message>
        <source>%1, folded</source>
        <translation>%1, zugeklappt</translation>
    </message>
    <message>
        <source>%1, frame %2</source>
        <translation>%1, Bild %2</translation>
    </message>
    <message>
        <source>%1, holds %2</source>
        <translation>%1, hält %2</translation>
    </message>
    <message>
        <source>%1, shares its name</source>
        <translation>%1, teilt seinen Namen</translation>
    </message>
    <message>
        <source>%1: %2 %</source>
        <translation>%1: %2 %</translation>
    </message>
    <message>
        <source>%1: %2, %3, %4</source>
        <translation>%1: %2, %3, %4</translation>
    </message>
    <message>
        <source>%1: %2, the same</source>
        <translation>%1: %2, gleich</translation>
    </message>
    <message>
        <source>%1: %2. Deliver it, and what arrives is shown here.</source>
        <translation>%1: %2. Liefern Sie es aus, dann steht hier, was ankommt.</translation>
    </message>
    <message>
        <source>%1: at most %2</source>
        <translation>%1: höchstens %2</translation>
    </message>
    <message>
        <source>%1: frames %2 to %3, %4 s</source>
        <translation>%1: Bilder %2 bis %3, %4 s</translation>
    </message>
    <message>
        <source>%1: nothing here opens such pages.</source>
        <translation>%1: hier öffnet nichts solche Seiten.</translation>
    </message>
    <message>
        <source>%1?</source>
        <translation>%1?</translation>
    </message>
    <message>
        <source>%1°</source>
        <translation>%1°</translation>
    </message>
    <message>
        <source>%1–%2 · %3</source>
        <translation>%1–%2 · %3</translation>
    </message>
    <message numerus="yes">
        <source>%n byte</source>
        <translation>
            <numerusform>%n Byte</numerusform>
            <numerusform>%n Bytes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n card</source>
        <translation>
            <numerusform>%n Karte</numerusform>
            <numerusform>%n Karten</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n channel</source>
        <translation>
            <numerusform>%n Kanal</numerusform>
            <numerusform>%n Kanäle</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n character</source>
        <translation>
            <numerusform>%n Zeichen</numerusform>
            <numerusform>%n Zeichen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n clip</source>
        <translation>
            <numerusform>%n Clip</numerusform>
            <numerusform>%n Clips</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n curve</source>
        <translation>
            <numerusform>%n Kurve</numerusform>
            <numerusform>%n Kurven</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n deliverable</source>
        <translation>
            <numerusform>%n Lieferteil</numerusform>
            <numerusform>%n Lieferteile</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n element</source>
        <translation>
            <numerusform>%n Element</numerusform>
            <numerusform>%n Elemente</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n face</source>
        <translation>
            <numerusform>%n Fläche</numerusform>
            <numerusform>%n Flächen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n form</source>
        <translation>
            <numerusform>%n Gestalt</numerusform>
            <numerusform>%n Gestalten</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frame</source>
        <translation>
            <numerusform>%n Bild</numerusform>
            <numerusform>%n Bilder</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n guide</source>
        <translation>
            <numerusform>%n Leitkurve</numerusform>
            <numerusform>%n Leitkurven</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n hold</source>
        <translation>
            <numerusform>%n Halt</numerusform>
            <numerusform>%n Halte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n hull</source>
        <translation>
            <numerusform>%n Hülle</numerusform>
            <numerusform>%n Hüllen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n image</source>
        <translation>
            <numerusform>%n Bild</numerusform>
            <numerusform>%n Bilder</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n index</source>
        <translation>
            <numerusform>%n Index</numerusform>
            <numerusform>%n Indizes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n influence</source>
        <translation>
            <numerusform>%n Einfluss</numerusform>
            <numerusform>%n Einflüsse</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n joint</source>
        <translation>
            <numerusform>%n Gelenk</numerusform>
            <numerusform>%n Gelenke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n key</source>
        <translation>
            <numerusform>%n Schlüssel</numerusform>
            <numerusform>%n Schlüssel</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n line</source>
        <translation>
            <numerusform>%n Linie</numerusform>
            <numerusform>%n Linien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n listener</source>
        <translation>
            <numerusform>%n Zuhörer</numerusform>
            <numerusform>%n Zuhörer</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n material</source>
        <translation>
            <numerusform>%n Material</numerusform>
            <numerusform>%n Materialien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n moment</source>
        <translation>
            <numerusform>%n Moment</numerusform>
            <numerusform>%n Momente</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n name</source>
        <translation>
            <numerusform>%n Name</numerusform>
            <numerusform>%n Namen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n node</source>
        <translation>
            <numerusform>%n Knoten</numerusform>
            <numerusform>%n Knoten</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n normal</source>
        <translation>
            <numerusform>%n Normale</numerusform>
            <numerusform>%n Normalen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note</source>
        <translation>
            <numerusform>%n Bemerkung</numerusform>
            <numerusform>%n Bemerkungen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n number</source>
        <translation>
            <numerusform>%n Zahl</numerusform>
            <numerusform>%n Zahlen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n pair</source>
        <translation>
            <numerusform>%n Paar</numerusform>
            <numerusform>%n Paare</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n part</source>
        <translation>
            <numerusform>%n Teil</numerusform>
            <numerusform>%n Teile</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n place</source>
        <translation>
            <numerusform>%n Ort</numerusform>
            <numerusform>%n Orte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n point</source>
        <translation>
            <numerusform>%n Punkt</numerusform>
            <numerusform>%n Punkte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n primitive</source>
        <translation>
            <numerusform>%n Teil</numerusform>
            <numerusform>%n Teile</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n root</source>
        <translation>
            <numerusform>%n Wurzel</numerusform>
            <numerusform>%n Wurzeln</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n shape</source>
        <translation>
            <numerusform>%n Form</numerusform>
            <numerusform>%n Formen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n slot</source>
        <translation>
            <numerusform>%n Slot</numerusform>
            <numerusform>%n Slots</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n stand</source>
        <translation>
            <numerusform>%n Stand</numerusform>
            <numerusform>%n Stände</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n step</source>
        <translation>
            <numerusform>%n Schritt</numerusform>
            <numerusform>%n Schritte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n strand</source>
        <translation>
            <numerusform>%n Strähne</numerusform>
            <numerusform>%n Strähnen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n stroke</source>
        <translation>
            <numerusform>%n Strich</numerusform>
            <numerusform>%n Striche</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n subject</source>
        <translation>
            <numerusform>%n Gegenstand</numerusform>
            <numerusform>%n Gegenstände</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n surface</source>
        <translation>
            <numerusform>%n Oberfläche</numerusform>
            <numerusform>%n Oberflächen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n swatch</source>
        <translation>
            <numerusform>%n Muster</numerusform>
            <numerusform>%n Muster</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n take</source>
        <translation>
            <numerusform>%n Aufnahme</numerusform>
            <numerusform>%n Aufnahmen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n thing</source>
        <translation>
            <numerusform>%n Ding</numerusform>
            <numerusform>%n Dinge</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n triangle</source>
        <translation>
            <numerusform>%n Dreieck</numerusform>
            <numerusform>%n Dreiecke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n value</source>
        <translation>
            <numerusform>%n Wert</numerusform>
            <numerusform>%n Werte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n vertex</source>
        <translation>
            <numerusform>%n Punkt</numerusform>
            <numerusform>%n Punkte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n weight</source>
        <translation>
            <numerusform>%n Gewicht</numerusform>
            <numerusform>%n Gewichte</numerusform>
        </translation>
    </message>
    <message>
        <source>&amp;About Wembrix</source>
        <translation>Ü&amp;ber Wembrix</translation>
    </message>
    <message>
        <source>&amp;Accept</source>
        <translation>&amp;Hinnehmen</translation>
    </message>
    <message>
        <source>&amp;Add a step…</source>
        <translation>Schritt &amp;hinzufügen …</translation>
    </message>
    <message>
        <source>&amp;Add step</source>
        <translation>Schritt &amp;hinzufügen</translation>
    </message>
    <message>
        <source>&amp;Apply</source>
        <translation>&amp;Anwenden</translation>
    </message>
    <message>
        <source>&amp;Back</source>
        <translation>&amp;Zurück</translation>
    </message>
    <message>
        <source>&amp;Close</source>
        <translation>&amp;Schließen</translation>
    </message>
    <message>
        <source>&amp;Colours</source>
        <translation>&amp;Farben</translation>
    </message>
    <message>
        <source>&amp;Copy all steps</source>
        <translation>Alle Schritte &amp;kopieren</translation>
    </message>
    <message>
        <source>&amp;Delete pose</source>
        <translation>Pose &amp;löschen</translation>
    </message>
    <message>
        <source>&amp;Destinations…</source>
        <translation>Zie&amp;le …</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>&amp;Find missing files…</source>
        <translation>&amp;Fehlende Dateien suchen …</translation>
    </message>
    <message>
        <source>&amp;Find…</source>
        <translation>&amp;Suchen …</translation>
    </message>
    <message>
        <source>&amp;First frame</source>
        <translation>&amp;Erstes Bild</translation>
    </message>
    <message>
        <source>&amp;Front</source>
        <translation>&amp;Vorn</translation>
    </message>
    <message>
        <source>&amp;Go there</source>
        <translation>&amp;Dorthin</translation>
    </message>
    <message>
        <source>&amp;Go to or do…</source>
        <translation>&amp;Gehe zu oder tue …</translation>
    </message>
    <message>
        <source>&amp;Guide</source>
        <translation>&amp;Handbuch</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;How far they are apart</source>
        <translation>&amp;Wie weit sie auseinanderliegen</translation>
    </message>
    <message>
        <source>&amp;Import files…</source>
        <translation>Dateien e&amp;inlesen …</translation>
    </message>
    <message>
        <source>&amp;Job</source>
        <translation>&amp;Auftrag</translation>
    </message>
    <message>
        <source>&amp;Joints</source>
        <translation>&amp;Gelenke</translation>
    </message>
    <message>
        <source>&amp;Keep all as a preset…</source>
        <translation>Alle als &amp;Vorlage aufheben …</translation>
    </message>
    <message>
        <source>&amp;Language</source>
        <translation>&amp;Sprache</translation>
    </message>
    <message>
        <source>&amp;Later</source>
        <translation>&amp;Später</translation>
    </message>
    <message>
        <source>&amp;Left</source>
        <translation>&amp;Links</translation>
    </message>
    <message>
        <source>&amp;Make this pose the rest pose</source>
        <translation>Diese Pose zur &amp;Ruhepose machen</translation>
    </message>
    <message>
        <source>&amp;Names of the joints</source>
        <translation>&amp;Namen der Gelenke</translation>
    </message>
    <message>
        <source>&amp;New from files…</source>
        <translation>&amp;Neu aus Dateien …</translation>
    </message>
    <message>
        <source>&amp;Next frame</source>
        <translation>&amp;Nächstes Bild</translation>
    </message>
    <message>
        <source>&amp;One over the other</source>
        <translation>Einer über dem &amp;anderen</translation>
    </message>
    <message>
        <source>&amp;Open her</source>
        <translation>&amp;Öffnen</translation>
    </message>
    <message>
        <source>&amp;Open its folder</source>
        <translation>Seinen &amp;Ordner öffnen</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>Ö&amp;ffnen …</translation>
    </message>
    <message>
        <source>&amp;Paste steps</source>
        <translation>Schritte &amp;einfügen</translation>
    </message>
    <message>
        <source>&amp;Play or pause</source>
        <translation>&amp;Abspielen oder anhalten</translation>
    </message>
    <message>
        <source>&amp;Playback</source>
        <translation>&amp;Wiedergabe</translation>
    </message>
    <message>
        <source>&amp;Preferences…</source>
        <translation>&amp;Einstellungen …</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>B&amp;eenden</translation>
    </message>
    <message>
        <source>&amp;Recent jobs</source>
        <translation>&amp;Zuletzt benutzt</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Wiederholen</translation>
    </message>
    <message>
        <source>&amp;Replace</source>
        <translation>&amp;Ersetzen</translation>
    </message>
    <message>
        <source>&amp;Replace…</source>
        <translation>&amp;Ersetzen …</translation>
    </message>
    <message>
        <source>&amp;Restore</source>
        <translation>&amp;Wiederherstellen</translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation>&amp;Speichern</translation>
    </message>
    <message>
        <source>&amp;Size</source>
        <translation>&amp;Größe</translation>
    </message>
    <message>
        <source>&amp;Steps</source>
        <translation>&amp;Schritte</translation>
    </message>
    <message>
        <source>&amp;Store pose…</source>
        <translation>Pose &amp;merken …</translation>
    </message>
    <message>
        <source>&amp;Taken as</source>
        <translation>&amp;Gilt als</translation>
    </message>
    <message>
        <source>&amp;Team's folder</source>
        <translation>Ordner des &amp;Teams</translation>
    </message>
    <message>
        <source>&amp;Top</source>
        <translation>&amp;Oben</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>A&amp;nsicht</translation>
    </message>
    <message>
        <source>&amp;Watch a run on a farm…</source>
        <translation>Lauf auf einer &amp;Farm verfolgen …</translation>
    </message>
    <message>
        <source>&amp;Why it is right as it is</source>
        <translation>&amp;Warum es so richtig ist</translation>
    </message>
    <message>
        <source>+ Takes</source>
        <translation>+ Aufnahmen</translation>
    </message>
    <message>
        <source>, %1 cm²</source>
        <translation>, %1 cm²</translation>
    </message>
    <message>
        <source>, %1 m/s on average, %2 m/s at most (frame %3)</source>
        <translation>, im Mittel %1 m/s, höchstens %2 m/s (Bild %3)</translation>
    </message>
    <message>
        <source>, a clip from nothing</source>
        <translation>, ein Clip aus dem Nichts</translation>
    </message>
    <message>
        <source>, accessor </source>
        <translation>, Zugriff </translation>
    </message>
    <message>
        <source>, and </source>
        <translation>, und </translation>
    </message>
    <message>
        <source>, and the extension's own extras are left out</source>
        <translation>, und die eigenen Zusatzangaben der Erweiterung sind weggelassen</translation>
    </message>
    <message>
        <source>, and what is said of them besides, </source>
        <translation>, und was sonst davon gesagt ist, </translation>
    </message>
    <message>
        <source>, and with it the model that this {} moves</source>
        <translation> und damit das Modell, das er bewegt ({})</translation>
    </message>
    <message>
        <source>, as new clips that end in </source>
        <translation>, als neue Clips mit der Endung </translation>
    </message>
    <message>
        <source>, at most {:.3f} mm apart</source>
        <translation>, höchstens {:.3f} mm auseinander</translation>
    </message>
    <message>
        <source>, at most {} from the curves between frames</source>
        <translation>, höchstens {} von den Kurven zwischen den Bildern</translation>
    </message>
    <message>
        <source>, channel </source>
        <translation>, Kanal </translation>
    </message>
    <message>
        <source>, frame {} of “{}”</source>
        <translation>, Bild {} von „{}“</translation>
    </message>
    <message>
        <source>, from “{}”</source>
        <translation>, von „{}“</translation>
    </message>
    <message>
        <source>, is left out</source>
        <translation>, ist weggelassen</translation>
    </message>
    <message>
        <source>, left</source>
        <translation>, links</translation>
    </message>
    <message>
        <source>, limits_deg</source>
        <translation>, limits_deg</translation>
    </message>
    <message>
        <source>, line </source>
        <translation>, Zeile </translation>
    </message>
    <message>
        <source>, looked at every %1 frames</source>
        <translation>, alle %1 Bilder angesehen</translation>
    </message>
    <message>
        <source>, matched by place</source>
        <translation>, nach dem Ort zugeordnet</translation>
    </message>
    <message>
        <source>, middle from {:.0f}, {:.0f} mm to the origin</source>
        <translation>, Mitte von {:.0f}, {:.0f} mm in den Ursprung</translation>
    </message>
    <message>
        <source>, mirror</source>
        <translation>, Spiegelung</translation>
    </message>
    <message>
        <source>, missing: %1</source>
        <translation>, es fehlt: %1</translation>
    </message>
    <message>
        <source>, no joint beyond its limits</source>
        <translation>, kein Gelenk über seinen Grenzen</translation>
    </message>
    <message>
        <source>, pose "</source>
        <translation>, Pose „</translation>
    </message>
    <message>
        <source>, right</source>
        <translation>, rechts</translation>
    </message>
    <message>
        <source>, rotates %1°</source>
        <translation>, dreht sich um %1°</translation>
    </message>
    <message>
        <source>, shape </source>
        <translation>, Form </translation>
    </message>
    <message>
        <source>, sparse</source>
        <translation>, dünn besetzt</translation>
    </message>
    <message>
        <source>, surfaces bound anew</source>
        <translation>, Oberflächen neu gebunden</translation>
    </message>
    <message>
        <source>, texture</source>
        <translation>, Textur</translation>
    </message>
    <message>
        <source>, the ground rises by {:.0f} mm</source>
        <translation>, der Boden steigt um {:.0f} mm</translation>
    </message>
    <message>
        <source>, worst direction {:.1f}° ({})</source>
        <translation>, schlimmste Richtung {:.1f}° ({})</translation>
    </message>
    <message>
        <source>, {:.1f}° beyond its limits at most ({} at frame {} of “{}”)</source>
        <translation>, höchstens {:.1f}° über den eigenen Grenzen ({} bei Bild {} von „{}“)</translation>
    </message>
    <message>
        <source>, {:.3g} l of it air</source>
        <translation>, davon {:.3g} l Luft</translation>
    </message>
    <message>
        <source>, {} of hands, at most {:.1f} mm off</source>
        <translation>, {} von Händen, höchstens {:.1f} mm daneben</translation>
    </message>
    <message>
        <source>, {} of them over each other</source>
        <translation>, davon {} übereinander</translation>
    </message>
    <message>
        <source>, {} planted, slide at most {:.1f} mm beyond the source's</source>
        <translation>, {} aufgesetzt, Rutschen höchstens {:.1f} mm mehr als das der Quelle</translation>
    </message>
    <message>
        <source>0</source>
        <translation>0</translation>
    </message>
    <message>
        <source>0 mm</source>
        <translation>0 mm</translation>
    </message>
    <message>
        <source>0: a mirror, 1: chalk</source>
        <translation>0: ein Spiegel, 1: Kreide</translation>
    </message>
    <message>
        <source>0: none, 1: metal</source>
        <translation>0: keines, 1: Metall</translation>
    </message>
    <message>
        <source>1</source>
        <translation>1</translation>
    </message>
    <message>
        <source>1 attachment point or light has</source>
        <translation>1 Ansatzpunkt oder Licht hat</translation>
    </message>
    <message>
        <source>1 cm</source>
        <translation>1 cm</translation>
    </message>
    <message>
        <source>1 had no name; it is called {}.</source>
        <translation>1 hatte keinen Namen; es heißt {}.</translation>
    </message>
    <message>
        <source>1 is</source>
        <translation>1</translation>
    </message>
    <message>
        <source>1 is the width at the root, 0 that at the tip; empty: straight</source>
        <translation>1 ist die Breite an der Wurzel, 0 die an der Spitze; leer: gerade</translation>
    </message>
    <message>
        <source>1 joint in %1</source>
        <translation>1 Gelenk in %1</translation>
    </message>
    <message>
        <source>1 joint lies</source>
        <translation>1 Gelenk liegt</translation>
    </message>
    <message>
        <source>1 joint stands</source>
        <translation>1 Gelenk steht</translation>
    </message>
    <message>
        <source>1 mm</source>
        <translation>1 mm</translation>
    </message>
    <message>
        <source>1 of its surfaces</source>
        <translation>1 seiner Oberflächen</translation>
    </message>
    <message>
        <source>1 parent transform</source>
        <translation>1 Transformation darüber</translation>
    </message>
    <message>
        <source>1 step no longer does all it did.</source>
        <translation>1 Schritt tut nicht mehr alles, was er tat.</translation>
    </message>
    <message>
        <source>1 stray</source>
        <translation>1 verstreuter</translation>
    </message>
    <message>
        <source>1 value is</source>
        <translation>1 Wert ist</translation>
    </message>
    <message>
        <source>1.75 m</source>
        <translation>1,75 m</translation>
    </message>
    <message>
        <source>16 bit</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>2 % of the height</source>
        <translation>2 % der Größe</translation>
    </message>
    <message>
        <source>20 % of the height per second</source>
        <translation>20 % der Größe in der Sekunde</translation>
    </message>
    <message>
        <source>: bounds</source>
        <translation>: Maße</translation>
    </message>
    <message>
        <source>: did not fit. </source>
        <translation>: passte nicht. </translation>
    </message>
    <message>
        <source>: is missing</source>
        <translation>: fehlt</translation>
    </message>
    <message>
        <source>: its bytes are others</source>
        <translation>: hat andere Bytes</translation>
    </message>
    <message>
        <source>: joints</source>
        <translation>: Gelenke</translation>
    </message>
    <message>
        <source>: opens it</source>
        <translation>: öffnet es</translation>
    </message>
    <message>
        <source>: shapes</source>
        <translation>: Formen</translation>
    </message>
    <message>
        <source>; is "{}" meant?</source>
        <translation>; ist „{}“ gemeint?</translation>
    </message>
    <message>
        <source>; it goes round by {:.0f}° each time</source>
        <translation>; er dreht sich jedes Mal um {:.0f}°</translation>
    </message>
    <message>
        <source>; roots leave the surface by {:.4f} mm, lengths change by {:.2g} % at most</source>
        <translation>; Wurzeln verlassen die Oberfläche um {:.4f} mm, Längen ändern sich um höchstens {:.2g} %</translation>
    </message>
    <message>
        <source>; seam {:.1f} → {:.1f} mm, {:.1f} → {:.1f}°</source>
        <translation>; Naht {:.1f} → {:.1f} mm, {:.1f} → {:.1f}°</translation>
    </message>
    <message>
        <source>; stretch of {} into places</source>
        <translation>; Streckung von {} in Orte</translation>
    </message>
    <message>
        <source>; stretch of {} kept</source>
        <translation>; Streckung von {} behalten</translation>
    </message>
    <message>
        <source>; the others stand where the plan has them</source>
        <translation>; die anderen stehen, wo der Plan sie hat</translation>
    </message>
    <message>
        <source>; the surface stands at the node alone.</source>
        <translation>; die Oberfläche steht am Knoten allein.</translation>
    </message>
    <message>
        <source>; they had no weights</source>
        <translation>; sie hatten keine Gewichte</translation>
    </message>
    <message>
        <source>; weights of {} moved on, at most {:.2f} mm ({} → {})</source>
        <translation>; Gewichte weitergegeben: {}, höchstens {:.2f} mm ({} → {})</translation>
    </message>
    <message>
        <source>; {} are beyond the last vertex</source>
        <translation>; {} liegen hinter dem letzten Punkt</translation>
    </message>
    <message>
        <source>; {} baked{}</source>
        <translation>; {} gebacken{}</translation>
    </message>
    <message>
        <source>; {} cut short at the surface</source>
        <translation>; an der Oberfläche gekürzt: {}</translation>
    </message>
    <message>
        <source>; {} kept theirs</source>
        <translation>; {} behielten ihre</translation>
    </message>
    <message>
        <source>; {} more at hard edges</source>
        <translation>; {} mehr an harten Kanten</translation>
    </message>
    <message>
        <source>; {} more where mirrored sides meet</source>
        <translation>; {} mehr, wo sich gespiegelte Seiten treffen</translation>
    </message>
    <message>
        <source>; {} without an extent gone</source>
        <translation>; {} ohne Ausdehnung fort</translation>
    </message>
    <message>
        <source>&lt;b&gt;%1 does not close.&lt;/b&gt; Its last pose is %2 mm (%3) and %4° (%5) from its first.</source>
        <translation>&lt;b&gt;%1 schließt sich nicht.&lt;/b&gt; Seine letzte Pose ist %2 mm (%3) und %4° (%5) von seiner ersten.</translation>
    </message>
    <message>
        <source>&lt;b&gt;%1&lt;/b&gt; has no weights</source>
        <translation>&lt;b&gt;%1&lt;/b&gt; hat keine Gewichte</translation>
    </message>
    <message>
        <source>&lt;b&gt;%1&lt;/b&gt; has weights on %2 vertices · largest %3 · %4 shared with other joints</source>
        <translation>&lt;b&gt;%1&lt;/b&gt; hat Gewichte auf %2 Punkten · größtes %3 · %4 mit anderen Gelenken geteilt</translation>
    </message>
    <message>
        <source>&lt;b&gt;%1&lt;/b&gt; strands, %2 points &amp;nbsp; %3 &amp;nbsp; %4 to %5 mm long &amp;nbsp; %6 &amp;nbsp; roots %7 mm off</source>
        <translation>&lt;b&gt;%1&lt;/b&gt; Strähnen, %2 Punkte &amp;nbsp; %3 &amp;nbsp; %4 bis %5 mm lang &amp;nbsp; %6 &amp;nbsp; Wurzeln %7 mm daneben</translation>
    </message>
    <message>
        <source>&lt;b&gt;Through the body over %1&lt;/b&gt;%6: %2 at frame %3, the worst &amp;nbsp; lengths kept within %4 mm &amp;nbsp; roots within %5 mm</source>
        <translation>&lt;b&gt;Durch den Körper über %1&lt;/b&gt;%6: %2 bei Bild %3, dem schlimmsten &amp;nbsp; Längen bis auf %4 mm erhalten &amp;nbsp; Wurzeln bis auf %5 mm</translation>
    </message>
    <message>
        <source>&lt;b&gt;What it makes of this job&lt;/b&gt;</source>
        <translation>&lt;b&gt;Was es aus diesem Auftrag macht&lt;/b&gt;</translation>
    </message>
    <message>
        <source>&lt;br&gt;&lt;span style="color:%1"&gt;%2 through the body, deepest %3 mm&lt;/span&gt;</source>
        <translation>&lt;br&gt;&lt;span style="color:%1"&gt;%2 durch den Körper, am tiefsten %3 mm&lt;/span&gt;</translation>
    </message>
    <message>
        <source>&lt;br&gt;&lt;span style="color:%1"&gt;was %2&lt;/span&gt;</source>
        <translation>&lt;br&gt;&lt;span style="color:%1"&gt;war %2&lt;/span&gt;</translation>
    </message>
    <message>
        <source>&lt;h3&gt;Wembrix %1&lt;/h3&gt;&lt;p&gt;Characters made ready for an engine, and checked on arrival.&lt;/p&gt;&lt;p&gt;Free software under the GNU General Public License, version 3 or later. It comes without any warranty.&lt;/p&gt;&lt;p&gt;Made with Qt %2.&lt;/p&gt;</source>
        <translation>&lt;h3&gt;Wembrix %1&lt;/h3&gt;&lt;p&gt;Figuren, für eine Engine vorbereitet und bei der Ankunft geprüft.&lt;/p&gt;&lt;p&gt;Freie Software unter der GNU General Public License, Version 3 oder später, ohne jede Gewähr.&lt;/p&gt;&lt;p&gt;Gemacht mit Qt %2.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>A PNG or JPEG file</source>
        <translation>Eine PNG- oder JPEG-Datei</translation>
    </message>
    <message>
        <source>A breath or a flinch that plays over other clips holds only what it adds to a pose.</source>
        <translation>Ein Atmen oder Zucken, das über anderen Clips spielt, enthält nur, was es einer Pose hinzufügt.</translation>
    </message>
    <message>
        <source>A capsule around the weighted vertices of each joint: a ragdoll's set</source>
        <translation>Eine Kapsel um die Punkte mit Gewicht auf jedem Gelenk: der Satz einer Gliederpuppe</translation>
    </message>
    <message>
        <source>A character comes in</source>
        <translation>Eine Figur kommt herein</translation>
    </message>
    <message>
        <source>A click on the region plants a guide along the normal</source>
        <translation>Ein Klick auf den Bereich pflanzt eine Leitkurve entlang der Normalen</translation>
    </message>
    <message>
        <source>A click on the surface plants a guide · points can be pulled · Ctrl adds to the chosen · Escape ends</source>
        <translation>Ein Klick auf die Oberfläche pflanzt eine Leitkurve · Punkte lassen sich ziehen · Strg nimmt hinzu · Esc beendet</translation>
    </message>
    <message>
        <source>A clip that a step made has a name, repeats or not, goes out or stays, like one that was cut.</source>
        <translation>Ein Clip, den ein Schritt gemacht hat, hat einen Namen, wiederholt sich oder nicht, geht hinaus oder bleibt, wie ein geschnittener.</translation>
    </message>
    <message>
        <source>A clip that no take has: a swinging flap, a bounce</source>
        <translation>Ein Clip, den keine Aufnahme hat: eine schwingende Klappe, ein Hüpfen</translation>
    </message>
    <message>
        <source>A clip that plays once has no seam</source>
        <translation>Ein Clip, der einmal spielt, hat keine Naht</translation>
    </message>
    <message>
        <source>A clip that repeats and does not close jumps every time it begins again.</source>
        <translation>Ein Clip, der sich wiederholt und sich nicht schließt, springt bei jedem neuen Anfang.</translation>
    </message>
    <message>
        <source>A colour such as #fbfbf8, which it is if this is empty; or none: they are transparent there.</source>
        <translation>Eine Farbe wie #fbfbf8, die es auch ist, wenn hier nichts steht; oder none: dort sind sie durchsichtig.</translation>
    </message>
    <message>
        <source>A container that knows no strands takes them as lines of a surface, each with its width as a value.</source>
        <translation>Ein Format, das keine Strähnen kennt, nimmt sie als Linien einer Oberfläche, jede mit ihrer Breite als Wert.</translation>
    </message>
    <message>
        <source>A contract</source>
        <translation>Ein Vertrag</translation>
    </message>
    <message>
        <source>A contract that somebody wrote out</source>
        <translation>Ein Vertrag, den jemand geschrieben hat</translation>
    </message>
    <message>
        <source>A copy of the chosen one</source>
        <translation>Eine Kopie des gewählten</translation>
    </message>
    <message>
        <source>A correction that always holds costs an engine nothing once it is part of the surface.</source>
        <translation>Eine Korrektur, die immer gilt, kostet eine Engine nichts, wenn sie Teil der Oberfläche ist.</translation>
    </message>
    <message>
        <source>A delivery that moves any vertex farther is held.</source>
        <translation>Eine Lieferung, die irgendeinen Punkt weiter bewegt, wird angehalten.</translation>
    </message>
    <message>
        <source>A few strands say how all others go: placed by hand, taken from curves, or spread to begin with.</source>
        <translation>Wenige Strähnen sagen, wie alle anderen gehen: von Hand gesetzt, aus Kurven genommen, oder für den Anfang verteilt.</translation>
    </message>
    <message>
        <source>A file that knows no strands has them as lines: they become strands, to be rooted, or to be guides.</source>
        <translation>Eine Datei, die keine Strähnen kennt, hat sie als Linien: sie werden Strähnen, zum Verwurzeln, oder Leitkurven.</translation>
    </message>
    <message>
        <source>A file with the sculpted surface, vertex for vertex where it has as many</source>
        <translation>Eine Datei mit der modellierten Oberfläche, Punkt für Punkt, wo sie gleich viele hat</translation>
    </message>
    <message>
        <source>A file with the surface as it was sculpted, posed</source>
        <translation>Eine Datei mit der Oberfläche, wie sie modelliert wurde, in Pose</translation>
    </message>
    <message>
        <source>A file…</source>
        <translation>Eine Datei …</translation>
    </message>
    <message>
        <source>A first &amp;delivery…</source>
        <translation>Eine erste &amp;Lieferung …</translation>
    </message>
    <message>
        <source>A first delivery, step by step</source>
        <translation>Eine erste Lieferung, Schritt für Schritt</translation>
    </message>
    <message>
        <source>A folder</source>
        <translation>Ein Ordner</translation>
    </message>
    <message>
        <source>A guide moves together with the one that answers it across the middle of the surface; those in the middle stay there</source>
        <translation>Ein Leitpunkt bewegt sich zusammen mit dem, der ihm jenseits der Mitte der Oberfläche entspricht; die in der Mitte bleiben dort</translation>
    </message>
    <message>
        <source>A guide that is dropped goes to the middle of the limb around it</source>
        <translation>Ein losgelassener Leitpunkt rückt in die Mitte des Körperteils um ihn</translation>
    </message>
    <message>
        <source>A hollow or branching thing gets several hulls that follow it more closely</source>
        <translation>Ein hohles oder verzweigtes Ding bekommt mehrere Hüllen, die ihm näher folgen</translation>
    </message>
    <message>
        <source>A job whose card and destinations the new one gets</source>
        <translation>Ein Auftrag, dessen Karte und Ziele der neue bekommt</translation>
    </message>
    <message>
        <source>A job, or files and folders.</source>
        <translation>Ein Auftrag, oder Dateien und Ordner.</translation>
    </message>
    <message>
        <source>A joint above all that carries the motion of the whole, looking along +Z</source>
        <translation>Ein Gelenk über allen, das die Bewegung des Ganzen trägt und entlang +Z schaut</translation>
    </message>
    <message>
        <source>A joint that only carries motion, or is about to go, hands what it holds to one that should hold it.</source>
        <translation>Ein Gelenk, das nur Bewegung trägt oder bald geht, gibt, was es hält, an eines, das es halten sollte.</translation>
    </message>
    <message>
        <source>A later step of the card took it up or took it off: it is no clip of its own at the end</source>
        <translation>Ein späterer Schritt der Karte hat ihn aufgenommen oder weggenommen: am Ende ist er kein eigener Clip</translation>
    </message>
    <message>
        <source>A map of clumps is in use (All of growth…)</source>
        <translation>Eine Karte der Bündel ist in Gebrauch (Alles zum Wuchs …)</translation>
    </message>
    <message>
        <source>A moment after each change of the job, without being asked</source>
        <translation>Einen Augenblick nach jeder Änderung des Auftrags, ungefragt</translation>
    </message>
    <message>
        <source>A name for what is shown now (%1)</source>
        <translation>Ein Name für das, was jetzt gezeigt wird (%1)</translation>
    </message>
    <message>
        <source>A new one</source>
        <translation>Ein neues</translation>
    </message>
    <message>
        <source>A normal map is baked in one tangent space; in any other one its seams show.</source>
        <translation>Eine Normalentextur ist in einem Tangentenraum gebacken; in jedem anderen zeigen sich ihre Nähte.</translation>
    </message>
    <message>
        <source>A note for whoever works on it next</source>
        <translation>Eine Bemerkung für alle, die als Nächste daran arbeiten</translation>
    </message>
    <message>
        <source>A page beside the files: what arrived, what changed since the delivery before, what stayed behind.</source>
        <translation>Eine Seite neben den Dateien: was ankam, was sich seit der vorigen Lieferung änderte, was zurückblieb.</translation>
    </message>
    <message>
        <source>A page of this program's own, in a browser: it shows the model, says what it made of it, and follows the pose</source>
        <translation>Eine Seite dieses Programms, in einem Browser: sie zeigt das Modell, sagt, was sie daraus machte, und folgt der Pose</translation>
    </message>
    <message>
        <source>A picture beside each file, of so many pixels; of a clip its telling moments and, where it repeats, a moving one. Empty: none.</source>
        <translation>Ein Bild neben jeder Datei, mit so vielen Pixeln; von einem Clip seine sprechenden Momente und, wo er sich wiederholt, ein bewegtes. Leer: keine.</translation>
    </message>
    <message>
        <source>A picture of its own</source>
        <translation>Ein eigenes Bild</translation>
    </message>
    <message>
        <source>A picture of its own…</source>
        <translation>Ein eigenes Bild …</translation>
    </message>
    <message>
        <source>A pose that a game blends to or starts from goes out as a clip of one frame.</source>
        <translation>Eine Pose, zu der ein Spiel überblendet oder von der es ausgeht, geht als Clip von einem Bild hinaus.</translation>
    </message>
    <message>
        <source>A preset has a name and at least one step.</source>
        <translation>Eine Vorlage hat einen Namen und mindestens einen Schritt.</translation>
    </message>
    <message>
        <source>A project counts frames one way; clips that count another way end on frames that are not there.</source>
        <translation>Ein Projekt zählt Bilder auf eine Weise; Clips, die anders zählen, enden auf Bildern, die es nicht gibt.</translation>
    </message>
    <message>
        <source>A project's skeleton may have one joint more than the source: for a prop, a twist, a second spine.</source>
        <translation>Das Skelett eines Projekts hat vielleicht ein Gelenk mehr als die Quelle: für ein Requisit, eine Drehung, eine zweite Wirbelsäule.</translation>
    </message>
    <message>
        <source>A prop of many parts costs an engine as many draws; as one mesh it keeps its materials and costs less.</source>
        <translation>Ein Requisit aus vielen Teilen kostet eine Engine ebenso viele Zeichnungen; als ein Netz behält es seine Materialien und kostet weniger.</translation>
    </message>
    <message>
        <source>A pull bends and keeps the length</source>
        <translation>Ziehen biegt und bewahrt die Länge</translation>
    </message>
    <message>
        <source>A reference skeleton. A delivery that differs in a joint's name, parent, order, length or turn is held, and the differences are listed.</source>
        <translation>Ein Bezugsskelett. Eine Lieferung, bei der ein Gelenk in Name, Übergeordnetem, Reihenfolge, Länge oder Drehung abweicht, wird angehalten, und die Abweichungen werden aufgezählt.</translation>
    </message>
    <message>
        <source>A regular expression for whole names. Empty: any.</source>
        <translation>Ein regulärer Ausdruck für ganze Namen. Leer: beliebig.</translation>
    </message>
    <message>
        <source>A regular expression that a whole name must fit.</source>
        <translation>Ein regulärer Ausdruck, dem ein ganzer Name entsprechen muss.</translation>
    </message>
    <message>
        <source>A regular expression. What it finds in a name is replaced; (…) are groups.</source>
        <translation>Ein regulärer Ausdruck. Was er in einem Namen findet, wird ersetzt; (…) sind Gruppen.</translation>
    </message>
    <message>
        <source>A run on a farm</source>
        <translation>Ein Lauf auf einer Farm</translation>
    </message>
    <message>
        <source>A sculpt that came as a file of its own, or a pose, becomes a shape of the surface.</source>
        <translation>Ein modelliertes Stück, das als eigene Datei kam, oder eine Pose, wird eine Form der Oberfläche.</translation>
    </message>
    <message>
        <source>A shape of a surface, keyed by its weight</source>
        <translation>Eine Form einer Oberfläche, durch ihr Gewicht gesetzt</translation>
    </message>
    <message>
        <source>A shape that moves nothing costs memory in the engine, and somebody will wonder why its slider is dead.</source>
        <translation>Eine Form, die nichts bewegt, kostet in der Engine Speicher, und jemand wird sich fragen, warum ihr Regler tot ist.</translation>
    </message>
    <message>
        <source>A shape whose full weight is not its full expression gets the size it should have.</source>
        <translation>Eine Form, deren volles Gewicht nicht ihr voller Ausdruck ist, bekommt die Größe, die sie haben sollte.</translation>
    </message>
    <message>
        <source>A skeleton for a surface that has none: a plan, fitted by guide points</source>
        <translation>Ein Skelett für eine Oberfläche, die keines hat: ein Plan, durch Leitpunkte angepasst</translation>
    </message>
    <message>
        <source>A skeleton is built into a surface. Import one first.</source>
        <translation>Ein Skelett wird in eine Oberfläche gebaut. Lesen Sie zuerst eine ein.</translation>
    </message>
    <message>
        <source>A sketch of what it is about</source>
        <translation>Eine Skizze, worum es geht</translation>
    </message>
    <message>
        <source>A sketch of what it is about, and below of the same when it is mended</source>
        <translation>Eine Skizze, worum es geht, und darunter, wie es behoben aussieht</translation>
    </message>
    <message>
        <source>A smile sculpted on both sides becomes two that an animator moves apart; together they are what it was.</source>
        <translation>Aus einem auf beiden Seiten modellierten Lächeln werden zwei, die einzeln bewegt werden; zusammen sind sie, was es war.</translation>
    </message>
    <message>
        <source>A source made in another unit comes out at its true size, all of it at once.</source>
        <translation>Eine Quelle, die in einer anderen Einheit gemacht wurde, kommt in ihrer wahren Größe heraus, als Ganzes.</translation>
    </message>
    <message>
        <source>A source that comes in another size than it should have, now or in a later version, stops.</source>
        <translation>Eine Quelle, die jetzt oder später in anderer Größe kommt, als sie soll, hält an.</translation>
    </message>
    <message>
        <source>A source that lies on its face or looks aside is set upright, all of it at once.</source>
        <translation>Eine Quelle, die auf dem Gesicht liegt oder zur Seite schaut, wird als Ganzes aufgerichtet.</translation>
    </message>
    <message>
        <source>A step no longer fits: %1</source>
        <translation>Ein Schritt passt nicht mehr: %1</translation>
    </message>
    <message>
        <source>A strand ends where it would go into the body</source>
        <translation>Eine Strähne endet, wo sie in den Körper ginge</translation>
    </message>
    <message>
        <source>A surface that is wound the wrong way is seen from inside only.</source>
        <translation>Eine Oberfläche, die falsch herum umläuft, ist nur von innen zu sehen.</translation>
    </message>
    <message>
        <source>A surface that nobody rigged gets joints: the chains of a plan, at guide points fitted into it.</source>
        <translation>Eine Oberfläche ohne Skelett bekommt Gelenke: die Ketten eines Plans, an Leitpunkten in sie eingepasst.</translation>
    </message>
    <message>
        <source>A surface without weights stands still while its skeleton moves: first weights make it follow, to be refined.</source>
        <translation>Eine Oberfläche ohne Gewichte steht still, während sich ihr Skelett bewegt: erste Gewichte lassen sie folgen, zum Verfeinern.</translation>
    </message>
    <message>
        <source>A turn to the left is captured once and goes out for both sides.</source>
        <translation>Eine Drehung nach links wird einmal aufgenommen und geht für beide Seiten hinaus.</translation>
    </message>
    <message>
        <source>A whole [contract](destination-format.md#contracts). Lengths stay as they are</source>
        <translation>Ein ganzer [Vertrag](destination-format.md#contracts). Längen bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>A whole [layer](key-format.md) of curves</source>
        <translation>Eine ganze [Ebene](key-format.md) von Kurven</translation>
    </message>
    <message>
        <source>A whole [map](map-format.md) of joints; not set: as names and bodies say</source>
        <translation>Eine ganze [Zuordnung](map-format.md) von Gelenken; nicht gesetzt: wie Namen und Körper es sagen</translation>
    </message>
    <message>
        <source>A whole [plan](plan-format.md)</source>
        <translation>Ein ganzer [Plan](plan-format.md)</translation>
    </message>
    <message>
        <source>About</source>
        <translation>Um</translation>
    </message>
    <message>
        <source>About Wembrix</source>
        <translation>Über Wembrix</translation>
    </message>
    <message>
        <source>About its middle, after it was moved; X first, then Y, then Z</source>
        <translation>Um ihre Mitte, nachdem sie verschoben wurde; zuerst X, dann Y, dann Z</translation>
    </message>
    <message>
        <source>Above</source>
        <translation>Über</translation>
    </message>
    <message>
        <source>Above the joint's own lowest place in the take</source>
        <translation>Über der eigenen tiefsten Stelle des Gelenks in der Aufnahme</translation>
    </message>
    <message>
        <source>Accept a stop</source>
        <translation>Einen Stopp hinnehmen</translation>
    </message>
    <message>
        <source>Accepted</source>
        <translation>Hingenommen</translation>
    </message>
    <message>
        <source>Accepted: %1</source>
        <translation>Hingenommen: %1</translation>
    </message>
    <message>
        <source>Accepted: %1 (%2). </source>
        <translation>Hingenommen: %1 (%2). </translation>
    </message>
    <message>
        <source>Accept…</source>
        <translation>Hinnehmen …</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzu</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>+ %1</translation>
    </message>
    <message>
        <source>Add a corrective</source>
        <translation>Korrekturform hinzufügen</translation>
    </message>
    <message>
        <source>Add a shape</source>
        <translation>Form hinzufügen</translation>
    </message>
    <message>
        <source>Add a skeleton to the sources.</source>
        <translation>Nehmen Sie ein Skelett zu den Quellen.</translation>
    </message>
    <message>
        <source>Add a step</source>
        <translation>Schritt hinzufügen</translation>
    </message>
    <message>
        <source>Add a step…</source>
        <translation>Schritt hinzufügen …</translation>
    </message>
    <message>
        <source>Add an attachment point</source>
        <translation>Ansatzpunkt hinzufügen</translation>
    </message>
    <message>
        <source>Add an attachment point…</source>
        <translation>Einen Ansatzpunkt hinzufügen …</translation>
    </message>
    <message>
        <source>Add it to "keep".</source>
        <translation>Nehmen Sie es in „keep“ auf.</translation>
    </message>
    <message>
        <source>Add the file to the job's sources.</source>
        <translation>Nehmen Sie die Datei zu den Quellen des Auftrags.</translation>
    </message>
    <message>
        <source>Add the surface to the sources.</source>
        <translation>Nehmen Sie die Oberfläche zu den Quellen.</translation>
    </message>
    <message>
        <source>Add “%1”</source>
        <translation>+ %1</translation>
    </message>
    <message>
        <source>Adds the rule to the route card, so that it renames the next version too</source>
        <translation>Legt die Regel auf die Laufkarte, sodass sie auch die nächste Fassung umbenennt</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen …</translation>
    </message>
    <message>
        <source>Adjust hull “%1”</source>
        <translation>Hülle „%1“ anpassen</translation>
    </message>
    <message>
        <source>Adjust hulls</source>
        <translation>Hüllen anpassen</translation>
    </message>
    <message>
        <source>After</source>
        <translation>Danach</translation>
    </message>
    <message>
        <source>After each change</source>
        <translation>Nach jeder Änderung</translation>
    </message>
    <message>
        <source>After the keys</source>
        <translation>Nach den Schlüsseln</translation>
    </message>
    <message>
        <source>Align bone axes</source>
        <translation>Knochenachsen ausrichten</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>All &amp;shortcuts</source>
        <translation>Alle &amp;Tastenkürzel</translation>
    </message>
    <message>
        <source>All arrived</source>
        <translation>Alles angekommen</translation>
    </message>
    <message>
        <source>All destinations</source>
        <translation>Alle Ziele</translation>
    </message>
    <message>
        <source>All faces that hang together with the chosen ones</source>
        <translation>Alle Flächen, die mit den gewählten zusammenhängen</translation>
    </message>
    <message>
        <source>All in one</source>
        <translation>Alles in einem</translation>
    </message>
    <message>
        <source>All items</source>
        <translation>Alle Posten</translation>
    </message>
    <message>
        <source>All keys lie on frames at %1 per second: nothing is lost between them</source>
        <translation>Alle Schlüssel liegen auf Bildern, %1 in der Sekunde: dazwischen geht nichts verloren</translation>
    </message>
    <message>
        <source>All of a folder…</source>
        <translation>Alle eines Ordners …</translation>
    </message>
    <message>
        <source>All of growth…</source>
        <translation>Alles zum Wuchs …</translation>
    </message>
    <message>
        <source>All of the text on one line: smaller, and nothing that a person reads</source>
        <translation>Der ganze Text auf einer Zeile: kleiner, und nichts, was ein Mensch liest</translation>
    </message>
    <message>
        <source>All shortcuts</source>
        <translation>Alle Tastenkürzel</translation>
    </message>
    <message>
        <source>All steps still fit.</source>
        <translation>Alle Schritte passen noch.</translation>
    </message>
    <message>
        <source>All up to the last one comes off; names that would clash keep theirs</source>
        <translation>Alles bis zum letzten fällt weg; Namen, die kollidieren würden, behalten ihres</translation>
    </message>
    <message>
        <source>All vertices within the radius; else those that face you and hang together with the place</source>
        <translation>Alle Punkte im Radius; sonst die, die Ihnen zugewandt sind und mit der Stelle zusammenhängen</translation>
    </message>
    <message>
        <source>All, or those that differ from rest</source>
        <translation>Alle, oder die, die von der Ruhe abweichen</translation>
    </message>
    <message>
        <source>Allow more, or take fewer segments.</source>
        <translation>Erlauben Sie mehr, oder nehmen Sie weniger Abschnitte.</translation>
    </message>
    <message>
        <source>Along the axes that it had before</source>
        <translation>Entlang der Achsen, die sie vorher hatte</translation>
    </message>
    <message>
        <source>Along the bone</source>
        <translation>Entlang dem Knochen</translation>
    </message>
    <message>
        <source>Alpha</source>
        <translation>Alpha</translation>
    </message>
    <message>
        <source>Also where normals, coordinates or colours differ: the first one's stay</source>
        <translation>Auch wo Normalen, Koordinaten oder Farben verschieden sind: die des ersten bleiben</translation>
    </message>
    <message>
        <source>Amount</source>
        <translation>Maß</translation>
    </message>
    <message>
        <source>An engine assigns materials by the place of the slot; another order paints the beak on the wings.</source>
        <translation>Eine Engine gibt Materialien nach dem Platz des Slots; eine andere Reihenfolge malt den Schnabel auf die Flügel.</translation>
    </message>
    <message>
        <source>An engine draws what has no width as nothing, or each as thick as it likes.</source>
        <translation>Eine Engine zeichnet, was keine Breite hat, gar nicht oder jede so dick, wie sie mag.</translation>
    </message>
    <message>
        <source>An engine finds a shape by its name; rules give it the one it asks for.</source>
        <translation>Eine Engine findet eine Form an ihrem Namen; Regeln geben ihr den, nach dem sie fragt.</translation>
    </message>
    <message>
        <source>An engine keeps one tree of joints; its root carries the character through the world.</source>
        <translation>Eine Engine behält einen Baum von Gelenken; seine Wurzel trägt die Figur durch die Welt.</translation>
    </message>
    <message>
        <source>An engine leaves out the rest, or refuses the file.</source>
        <translation>Eine Engine lässt den Rest weg, oder lehnt die Datei ab.</translation>
    </message>
    <message>
        <source>An engine moves characters the way it thinks they look: along forward, or they walk sideways.</source>
        <translation>Eine Engine bewegt Figuren dorthin, wohin sie zu schauen meint: nach vorn, oder sie gehen seitwärts.</translation>
    </message>
    <message>
        <source>An engine or a page that is open on this machine gets the model and its clips as they would be delivered, says what it made of them, and follows the pose while you scrub. Nothing leaves this machine.</source>
        <translation>Eine Engine oder Seite, die auf diesem Rechner offen ist, bekommt das Modell und seine Clips, wie sie ausgeliefert würden, sagt, was sie daraus machte, und folgt beim Ziehen durch die Zeit der Pose. Nichts verlässt diesen Rechner.</translation>
    </message>
    <message>
        <source>An engine places a prop by its origin, and turns it about that: this one would swing aside.</source>
        <translation>Eine Engine setzt ein Requisit nach seinem Ursprung und dreht es darum: dieses schwänge zur Seite.</translation>
    </message>
    <message>
        <source>An engine plays what stands on its frames; keyed there, nothing between the keys is left to its taste.</source>
        <translation>Eine Engine spielt, was auf ihren Bildern steht; dort mit Schlüsseln versehen, bleibt zwischen ihnen nichts ihrem Geschmack überlassen.</translation>
    </message>
    <message>
        <source>An engine puts a prop where its origin goes; in a set it lies where the set had it.</source>
        <translation>Eine Engine setzt ein Requisit dorthin, wohin sein Ursprung geht; in einem Satz liegt es, wo der Satz es hatte.</translation>
    </message>
    <message>
        <source>An engine takes so many joints per vertex and drops the others unseen; here the loss is known beforehand.</source>
        <translation>Eine Engine nimmt so viele Gelenke je Punkt und lässt die anderen ungesehen weg; hier ist der Verlust vorher bekannt.</translation>
    </message>
    <message>
        <source>An engine that cannot move strands by itself plays where each point is at each frame.</source>
        <translation>Eine Engine, die Strähnen nicht selbst bewegen kann, spielt ab, wo jeder Punkt an jedem Bild ist.</translation>
    </message>
    <message>
        <source>An engine that counts shapes by place plays the wrong one when two files list them differently.</source>
        <translation>Eine Engine, die Formen nach dem Platz zählt, spielt die falsche, wenn zwei Dateien sie verschieden aufzählen.</translation>
    </message>
    <message>
        <source>An engine that draws no strands takes ribbons or tubes: one for each group of strands that run alike.</source>
        <translation>Eine Engine, die keine Strähnen zeichnet, nimmt Bänder oder Röhren: eine für jede Gruppe gleichlaufender Strähnen.</translation>
    </message>
    <message>
        <source>An id is 32 of the digits 0 to 9 and a to f.</source>
        <translation>Eine Kennung sind 32 der Ziffern 0 bis 9 und a bis f.</translation>
    </message>
    <message>
        <source>And wherever the texture coordinates are cut</source>
        <translation>Und überall, wo die Texturkoordinaten geschnitten sind</translation>
    </message>
    <message>
        <source>Angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>Another destination is called “%1”.</source>
        <translation>Ein anderes Ziel heißt „%1“.</translation>
    </message>
    <message>
        <source>Another job, of the same family or not: all that it delivers goes in</source>
        <translation>Ein anderer Auftrag, derselben Familie oder nicht: alles, was er ausliefert, kommt hinein</translation>
    </message>
    <message>
        <source>Another name for it</source>
        <translation>Ein anderer Name dafür</translation>
    </message>
    <message>
        <source>Another one: other strands of the same kind</source>
        <translation>Eine andere: andere Strähnen derselben Art</translation>
    </message>
    <message>
        <source>Another size or language is used from the next start on.</source>
        <translation>Eine andere Größe oder Sprache gilt ab dem nächsten Start.</translation>
    </message>
    <message>
        <source>Another variant…</source>
        <translation>Weitere Variante …</translation>
    </message>
    <message>
        <source>Any</source>
        <translation>Beliebig</translation>
    </message>
    <message>
        <source>Any kind</source>
        <translation>Jede Art</translation>
    </message>
    <message>
        <source>Any script in plain Latin letters</source>
        <translation>Jede Schrift in einfachen lateinischen Buchstaben</translation>
    </message>
    <message>
        <source>Any skeleton is taken</source>
        <translation>Jedes Skelett wird genommen</translation>
    </message>
    <message>
        <source>Any state</source>
        <translation>Jeder Zustand</translation>
    </message>
    <message>
        <source>Apart</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Apart, worst</source>
        <translation>Abstand, größter</translation>
    </message>
    <message>
        <source>Apply rule</source>
        <translation>Regel anwenden</translation>
    </message>
    <message>
        <source>Arrival check</source>
        <translation>Ankunftsprüfung</translation>
    </message>
    <message>
        <source>Arrived</source>
        <translation>Angekommen</translation>
    </message>
    <message>
        <source>Arrows turn · Shift slides · + − nearer, farther · Enter chooses at the cross</source>
        <translation>Pfeile drehen · Umschalt schiebt · + − näher, ferner · Eingabe wählt am Kreuz</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
    <message>
        <source>As above</source>
        <translation>Wie oben</translation>
    </message>
    <message>
        <source>As densely as it was painted by hand</source>
        <translation>So dicht, wie es von Hand gemalt wurde</translation>
    </message>
    <message>
        <source>As few keys as keep every curve within a limit</source>
        <translation>So wenige Schlüssel, wie jede Kurve innerhalb einer Grenze halten</translation>
    </message>
    <message>
        <source>As plain surfaces below the joint or surface they belong to, or at the top of the file; as numbers in the data of a node; or not at all.</source>
        <translation>Als einfache Oberflächen unter dem Gelenk oder der Oberfläche, zu der sie gehören, oder ganz oben in der Datei; als Zahlen in den Daten eines Knotens; oder gar nicht.</translation>
    </message>
    <message>
        <source>As prepared</source>
        <translation>Wie vorbereitet</translation>
    </message>
    <message>
        <source>As prepared, or rounded: places within an eighth of the drift limit, directions, coordinates, colours and weights to 16 bits. What it costs is measured and stands under What stayed behind.</source>
        <translation>Wie vorbereitet, oder gerundet: Orte auf ein Achtel der Driftgrenze, Richtungen, Koordinaten, Farben und Gewichte auf 16 Bit. Was es kostet, wird gemessen und steht unter Was zurückblieb.</translation>
    </message>
    <message>
        <source>As the desktop has it</source>
        <translation>Wie auf dem Desktop</translation>
    </message>
    <message>
        <source>As the desktop has its text</source>
        <translation>Wie der Text des Desktops</translation>
    </message>
    <message>
        <source>As the desktop has them</source>
        <translation>Wie auf dem Desktop</translation>
    </message>
    <message>
        <source>As the finding says it; without it wherever it is found</source>
        <translation>Wie der Befund es sagt; ohne dies, wo immer er auftritt</translation>
    </message>
    <message>
        <source>As the job had it</source>
        <translation>Wie der Auftrag es hatte</translation>
    </message>
    <message>
        <source>As the job had it; if the job did not have it, as the library has it</source>
        <translation>Wie der Auftrag es hatte; hatte er es nicht, wie die Bibliothek es hat</translation>
    </message>
    <message>
        <source>As the team has it</source>
        <translation>Wie das Team es hat</translation>
    </message>
    <message>
        <source>As the up axis above</source>
        <translation>Wie die Achse nach oben weiter oben</translation>
    </message>
    <message>
        <source>As they are</source>
        <translation>Wie sie sind</translation>
    </message>
    <message>
        <source>As they are, or all of one kind. JPEG has no transparency: an image with some becomes a PNG.</source>
        <translation>Wie sie sind, oder alle von einer Art. JPEG kennt keine Transparenz: ein Bild mit Transparenz wird ein PNG.</translation>
    </message>
    <message>
        <source>As they are, or powers of two, rounded down.</source>
        <translation>Wie sie sind, oder Zweierpotenzen, abgerundet.</translation>
    </message>
    <message>
        <source>Ask a second reader</source>
        <translation>Zweiten Leser fragen</translation>
    </message>
    <message>
        <source>Ask where it differs</source>
        <translation>Fragen, wo sie abweicht</translation>
    </message>
    <message>
        <source>Asking…</source>
        <translation>Wird gefragt …</translation>
    </message>
    <message>
        <source>At</source>
        <translation>Bei</translation>
    </message>
    <message>
        <source>At every frame of that rate, of the rate each clip was made at, or those that Prepared has: stepped and cubic keys stay, reduced ones stay few. Or the fewest of every frame's by which nothing moves farther than half the drift limit.</source>
        <translation>An jedem Bild dieser Rate, der Rate, mit der jeder Clip gemacht wurde, oder die, die das Vorbereitete hat: gestufte und kubische Schlüssel bleiben, verringerte bleiben wenige. Oder die wenigsten von denen jedes Bildes, bei denen sich nichts weiter als die halbe Driftgrenze bewegt.</translation>
    </message>
    <message>
        <source>At least so long</source>
        <translation>Mindestens so lange</translation>
    </message>
    <message>
        <source>At most</source>
        <translation>Höchstens</translation>
    </message>
    <message>
        <source>At the playhead (Enter on the strip). Wheel zooms, Shift with it scrolls, Alt drags an end without snapping, double-click names a clip, Delete takes it out.</source>
        <translation>Am Abspielkopf (Eingabe auf dem Streifen). Das Mausrad vergrößert, mit Umschalt rollt es, Alt zieht ein Ende ohne Einrasten, ein Doppelklick benennt einen Clip, Entf nimmt ihn heraus.</translation>
    </message>
    <message>
        <source>At the playhead; typing keys it there</source>
        <translation>Am Abspielkopf; Tippen setzt dort einen Schlüssel</translation>
    </message>
    <message>
        <source>At the root</source>
        <translation>An der Wurzel</translation>
    </message>
    <message>
        <source>At the tip</source>
        <translation>An der Spitze</translation>
    </message>
    <message>
        <source>At the top of the file</source>
        <translation>Ganz oben in der Datei</translation>
    </message>
    <message>
        <source>Attachment points</source>
        <translation>Ansatzpunkte</translation>
    </message>
    <message>
        <source>BVH, joints and motion as text</source>
        <translation>BVH, Gelenke und Bewegung als Text</translation>
    </message>
    <message>
        <source>Bake</source>
        <translation>Backen</translation>
    </message>
    <message>
        <source>Bake a shape into the surface</source>
        <translation>Form in die Oberfläche backen</translation>
    </message>
    <message>
        <source>Bake error</source>
        <translation>Backfehler</translation>
    </message>
    <message>
        <source>Bake into the surface…</source>
        <translation>In die Oberfläche backen …</translation>
    </message>
    <message>
        <source>Bake joint scale</source>
        <translation>Gelenkskalierung backen</translation>
    </message>
    <message>
        <source>Bake parent transforms</source>
        <translation>Transformationen darüber backen</translation>
    </message>
    <message>
        <source>Baked at %1 frames per second, it is up to %2 mm from its own curves, at %3, frame %4</source>
        <translation>Mit %1 Bildern in der Sekunde gebacken, liegt er bis zu %2 mm neben den eigenen Kurven, bei %3, Bild %4</translation>
    </message>
    <message>
        <source>Base colour</source>
        <translation>Grundfarbe</translation>
    </message>
    <message>
        <source>Base colour image</source>
        <translation>Bild der Grundfarbe</translation>
    </message>
    <message>
        <source>Before</source>
        <translation>Davor</translation>
    </message>
    <message>
        <source>Before the keys</source>
        <translation>Vor den Schlüsseln</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Beginn</translation>
    </message>
    <message>
        <source>Begin other strands: name them, choose faces, take them as their region</source>
        <translation>Andere Strähnen beginnen: benennen, Flächen wählen, sie als Bereich nehmen</translation>
    </message>
    <message>
        <source>Behind thumbnails</source>
        <translation>Hinter den Vorschaubildern</translation>
    </message>
    <message>
        <source>Being measured…</source>
        <translation>Wird gemessen …</translation>
    </message>
    <message>
        <source>Belongs to</source>
        <translation>Gehört zu</translation>
    </message>
    <message>
        <source>Below</source>
        <translation>Unter</translation>
    </message>
    <message>
        <source>Below the first: to the end</source>
        <translation>Kleiner als das erste: bis zum Ende</translation>
    </message>
    <message>
        <source>Below what they belong to</source>
        <translation>Unter dem, wozu sie gehören</translation>
    </message>
    <message>
        <source>Bend guides</source>
        <translation>Leitkurven biegen</translation>
    </message>
    <message>
        <source>Beside</source>
        <translation>Nebeneinander</translation>
    </message>
    <message>
        <source>Bind</source>
        <translation>Binden</translation>
    </message>
    <message>
        <source>Bind it, or follow the surface.</source>
        <translation>Binden Sie sie, oder folgen Sie der Oberfläche.</translation>
    </message>
    <message>
        <source>Bind pose</source>
        <translation>Bindepose</translation>
    </message>
    <message>
        <source>Bind the others…</source>
        <translation>Andere binden …</translation>
    </message>
    <message>
        <source>Bind the surface</source>
        <translation>Die Oberfläche binden</translation>
    </message>
    <message>
        <source>Bind through the volume instead.</source>
        <translation>Binden Sie statt dessen durch das Volumen.</translation>
    </message>
    <message>
        <source>Bind to joints</source>
        <translation>An Gelenke binden</translation>
    </message>
    <message>
        <source>Binds the surface to its joints anew; the chosen vertices keep the weights that they have</source>
        <translation>Bindet die Oberfläche neu an ihre Gelenke; die gewählten Punkte behalten die Gewichte, die sie haben</translation>
    </message>
    <message>
        <source>Blend over</source>
        <translation>Überblenden über</translation>
    </message>
    <message>
        <source>Blend over fewer.</source>
        <translation>Überblenden Sie über weniger.</translation>
    </message>
    <message>
        <source>Blend the loop</source>
        <translation>Überblenden</translation>
    </message>
    <message>
        <source>Bone axis</source>
        <translation>Knochenachse</translation>
    </message>
    <message>
        <source>Bone axis, second</source>
        <translation>Knochenachse, zweite</translation>
    </message>
    <message>
        <source>Both ends of the clip over each other in Prepared. Of a clip that repeats and travels, the last is set down where the first stands</source>
        <translation>Beide Enden des Clips übereinander im Vorbereiteten. Bei einem Clip, der sich wiederholt und weiterwandert, steht das Ende dort, wo der Anfang steht</translation>
    </message>
    <message>
        <source>Both panes at the same s&amp;cale</source>
        <translation>Beide Ansichten im selben &amp;Maßstab</translation>
    </message>
    <message>
        <source>Both panes at the same scale</source>
        <translation>Beide Ansichten im selben Maßstab</translation>
    </message>
    <message>
        <source>Both say the same.</source>
        <translation>Beide sagen dasselbe.</translation>
    </message>
    <message>
        <source>Both sides</source>
        <translation>Beide Seiten</translation>
    </message>
    <message>
        <source>Both sides farther out; of round ones X is the radius, and Y half the length of a capsule or cylinder</source>
        <translation>Beide Seiten weiter hinaus; bei runden ist X der Radius, und Y die halbe Länge einer Kapsel oder eines Zylinders</translation>
    </message>
    <message>
        <source>Bounding figures</source>
        <translation>Begrenzende Zahlen</translation>
    </message>
    <message>
        <source>Branch by branch, by name (numbers in names count as numbers), or as listed. Skins list their joints in the same order</source>
        <translation>Zweig für Zweig, nach Namen (Zahlen in Namen zählen als Zahlen), oder wie aufgezählt. Skins zählen ihre Gelenke in derselben Reihenfolge auf</translation>
    </message>
    <message>
        <source>Bring takes onto the skeleton</source>
        <translation>Aufnahmen auf das Skelett bringen</translation>
    </message>
    <message>
        <source>Broken</source>
        <translation>Gebrochen</translation>
    </message>
    <message>
        <source>Brought in, and rooted on no surface yet.</source>
        <translation>Eingelesen, und noch auf keiner Oberfläche verwurzelt.</translation>
    </message>
    <message>
        <source>Brought in, rooted on “%1”.</source>
        <translation>Eingelesen, verwurzelt auf „%1“.</translation>
    </message>
    <message>
        <source>Build</source>
        <translation>Bauen</translation>
    </message>
    <message>
        <source>Build %1 joints</source>
        <translation>%1 Gelenke bauen</translation>
    </message>
    <message>
        <source>Build one, or add it to the sources.</source>
        <translation>Bauen Sie eines, oder nehmen Sie es zu den Quellen.</translation>
    </message>
    <message>
        <source>Build skeleton</source>
        <translation>Skelett bauen</translation>
    </message>
    <message>
        <source>Build the skeleton</source>
        <translation>Das Skelett bauen</translation>
    </message>
    <message>
        <source>Built: %1 joints</source>
        <translation>Gebaut: %1 Gelenke</translation>
    </message>
    <message>
        <source>Bumps in the standard tangent space</source>
        <translation>Unebenheiten im üblichen Tangentenraum</translation>
    </message>
    <message>
        <source>But keep</source>
        <translation>Aber behalten</translation>
    </message>
    <message>
        <source>By</source>
        <translation>Durch</translation>
    </message>
    <message>
        <source>By folder</source>
        <translation>Nach Ordner</translation>
    </message>
    <message>
        <source>By how much</source>
        <translation>Um wie viel</translation>
    </message>
    <message>
        <source>By kind</source>
        <translation>Nach Art</translation>
    </message>
    <message>
        <source>By least motion</source>
        <translation>Nach kleinster Bewegung</translation>
    </message>
    <message>
        <source>By so much of it at most</source>
        <translation>Höchstens um so viel davon</translation>
    </message>
    <message>
        <source>By state</source>
        <translation>Nach Zustand</translation>
    </message>
    <message>
        <source>By the shortest rotation</source>
        <translation>Durch die kürzeste Drehung</translation>
    </message>
    <message>
        <source>By this rule</source>
        <translation>Nach dieser Regel</translation>
    </message>
    <message>
        <source>By what is found in a name; by the token for left and right; or by case</source>
        <translation>Nach dem, was in einem Namen steht; nach dem Zeichen für links und rechts; oder nach der Groß- und Kleinschreibung</translation>
    </message>
    <message>
        <source>COLLADA 1.4, text with its images beside it</source>
        <translation>COLLADA 1.4, Text mit seinen Bildern daneben</translation>
    </message>
    <message>
        <source>CSV (*.csv);;JSON (*.json)</source>
        <translation>CSV (*.csv);;JSON (*.json)</translation>
    </message>
    <message>
        <source>Cache a surface</source>
        <translation>Oberfläche festhalten</translation>
    </message>
    <message>
        <source>Cache over clips…</source>
        <translation>Über Clips festhalten …</translation>
    </message>
    <message>
        <source>Cache strands</source>
        <translation>Strähnen festhalten</translation>
    </message>
    <message>
        <source>Caches</source>
        <translation>Caches</translation>
    </message>
    <message>
        <source>Caches as shapes</source>
        <translation>Caches als Formen</translation>
    </message>
    <message>
        <source>Caches as textures</source>
        <translation>Caches als Texturen</translation>
    </message>
    <message>
        <source>Cameras</source>
        <translation>Kameras</translation>
    </message>
    <message>
        <source>Captured motion has a key on every frame of every joint; most of them say nothing.</source>
        <translation>Aufgenommene Bewegung hat an jedem Bild für jedes Gelenk einen Schlüssel; die meisten sagen nichts.</translation>
    </message>
    <message>
        <source>Cards from strands</source>
        <translation>Karten aus Strähnen</translation>
    </message>
    <message>
        <source>Cards…</source>
        <translation>Karten …</translation>
    </message>
    <message>
        <source>Carry over</source>
        <translation>Übertragen</translation>
    </message>
    <message>
        <source>Case</source>
        <translation>Schreibung</translation>
    </message>
    <message>
        <source>Case: %1</source>
        <translation>Schreibung: %1</translation>
    </message>
    <message>
        <source>Centimetres read as metres</source>
        <translation>Zentimeter als Meter gelesen</translation>
    </message>
    <message>
        <source>Centres that strands gather at; 0: none</source>
        <translation>Mitten, an denen sich Strähnen sammeln; 0: keine</translation>
    </message>
    <message>
        <source>Chain</source>
        <translation>Kette</translation>
    </message>
    <message>
        <source>Change frame rate</source>
        <translation>Bildrate ändern</translation>
    </message>
    <message>
        <source>Change the rules so that all names differ.</source>
        <translation>Ändern Sie die Regeln, sodass sich alle Namen unterscheiden.</translation>
    </message>
    <message>
        <source>Character stands</source>
        <translation>Die Figur ist</translation>
    </message>
    <message>
        <source>Characters that a file's whole path may have there. 0: as many as the system takes.</source>
        <translation>Wie viele Zeichen der ganze Pfad einer Datei dort haben darf. 0: so viele, wie das System nimmt.</translation>
    </message>
    <message>
        <source>Characters that a joint's name may have.</source>
        <translation>Wie viele Zeichen der Name eines Gelenks haben darf.</translation>
    </message>
    <message>
        <source>Characters that share one skeleton share motion; this one becomes that skeleton, joint for joint.</source>
        <translation>Figuren, die ein Skelett teilen, teilen Bewegung; diese bekommt Gelenk für Gelenk dieses Skelett.</translation>
    </message>
    <message>
        <source>Check that the folder can be written to and the disk has room.</source>
        <translation>Prüfen Sie, ob in den Ordner geschrieben werden kann und das Laufwerk Platz hat.</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Choose a PNG or a JPEG.</source>
        <translation>Wählen Sie ein PNG oder JPEG.</translation>
    </message>
    <message>
        <source>Choose a cell of the board to see how its file arrived.</source>
        <translation>Wählen Sie ein Feld der Tafel, um zu sehen, wie seine Datei ankam.</translation>
    </message>
    <message>
        <source>Choose a cell of the board: beside it stands the file as it was read back, and every claim. What was held says why; a step at its station mends it.</source>
        <translation>Wählen Sie ein Feld der Tafel: daneben steht die Datei, wie sie zurückgelesen wurde, mit jeder Aussage über sie. Was angehalten wurde, sagt warum; ein Schritt an seiner Station behebt es.</translation>
    </message>
    <message>
        <source>Choose a clip below the view: how strands keep their length and their place over it stands here.</source>
        <translation>Wählen Sie unter der Ansicht einen Clip: wie Strähnen ihre Länge und ihren Ort über ihn halten, steht hier.</translation>
    </message>
    <message>
        <source>Choose a clip or the rest pose first: a sculpt of another pose could not be brought back.</source>
        <translation>Wählen Sie zuerst einen Clip oder die Ruhepose: was an einer anderen Pose modelliert wird, ließe sich nicht zurückbringen.</translation>
    </message>
    <message>
        <source>Choose a clip to see whether it closes. Names, frames and notes can be typed.</source>
        <translation>Wählen Sie einen Clip, um zu sehen, ob er sich schließt. Namen, Bilder und Bemerkungen lassen sich tippen.</translation>
    </message>
    <message>
        <source>Choose a clip; or make a new one.</source>
        <translation>Wählen Sie einen Clip, oder machen Sie einen neuen.</translation>
    </message>
    <message>
        <source>Choose a hull, here or in the view, and it has handles there. Of it air: what of it lies outside the surface. Stands out: how far its farthest corner is from the surface</source>
        <translation>Wählen Sie eine Hülle, hier oder in der Ansicht, dann hat sie dort Griffe. Davon Luft: was von ihr außerhalb der Oberfläche liegt. Ragt heraus: wie weit ihre fernste Ecke von der Oberfläche ist</translation>
    </message>
    <message>
        <source>Choose a joint in the view, and its motion over the take stands here.</source>
        <translation>Wählen Sie ein Gelenk in der Ansicht, dann steht hier seine Bewegung über die Aufnahme.</translation>
    </message>
    <message>
        <source>Choose a joint in the view.</source>
        <translation>Wählen Sie ein Gelenk in der Ansicht.</translation>
    </message>
    <message>
        <source>Choose a joint in the view: its curves stand here.</source>
        <translation>Wählen Sie ein Gelenk in der Ansicht: seine Kurven stehen hier.</translation>
    </message>
    <message>
        <source>Choose a slot, and its faces stand out in the view</source>
        <translation>Wählen Sie einen Slot, dann heben sich seine Flächen in der Ansicht ab</translation>
    </message>
    <message>
        <source>Choose an image</source>
        <translation>Ein Bild wählen</translation>
    </message>
    <message>
        <source>Choose another ending.</source>
        <translation>Wählen Sie eine andere Endung.</translation>
    </message>
    <message>
        <source>Choose another folder, or give yourself the right to write there.</source>
        <translation>Wählen Sie einen anderen Ordner, oder geben Sie sich das Recht, dorthin zu schreiben.</translation>
    </message>
    <message>
        <source>Choose another folder.</source>
        <translation>Wählen Sie einen anderen Ordner.</translation>
    </message>
    <message>
        <source>Choose another name, or rename that one first.</source>
        <translation>Wählen Sie einen anderen Namen, oder benennen Sie jenes zuerst um.</translation>
    </message>
    <message>
        <source>Choose another name.</source>
        <translation>Wählen Sie einen anderen Namen.</translation>
    </message>
    <message>
        <source>Choose every guide</source>
        <translation>Jede Leitkurve wählen</translation>
    </message>
    <message>
        <source>Choose faces</source>
        <translation>Flächen wählen</translation>
    </message>
    <message>
        <source>Choose one on the ladder or in the view: its length, rotation, weights and keys stand here.</source>
        <translation>Wählen Sie eines auf der Leiter oder in der Ansicht: Länge, Drehung, Gewichte und Schlüssel stehen hier.</translation>
    </message>
    <message>
        <source>Choose one that is there.</source>
        <translation>Wählen Sie eines, das da ist.</translation>
    </message>
    <message>
        <source>Choose the axis that the character looks along.</source>
        <translation>Wählen Sie die Achse, entlang der die Figur schaut.</translation>
    </message>
    <message>
        <source>Choose the folder of a run: how far it is, who works on what, and what failed is read from it, every two seconds.</source>
        <translation>Wählen Sie den Ordner eines Laufs: wie weit er ist, wer woran arbeitet und was misslang, wird alle zwei Sekunden daraus gelesen.</translation>
    </message>
    <message>
        <source>Choose the joint on the other side</source>
        <translation>Das Gelenk der anderen Seite wählen</translation>
    </message>
    <message>
        <source>Choose the joint whose weights are painted first.</source>
        <translation>Wählen Sie zuerst das Gelenk, dessen Gewichte gemalt werden.</translation>
    </message>
    <message>
        <source>Choose the team's folder in the preferences.</source>
        <translation>Wählen Sie den Ordner des Teams in den Einstellungen.</translation>
    </message>
    <message>
        <source>Choose vertices in the view, and type their weights</source>
        <translation>Punkte in der Ansicht wählen und ihre Gewichte tippen</translation>
    </message>
    <message>
        <source>Chooses what it is about, in the view and on the ladder</source>
        <translation>Wählt, worum es geht, in der Ansicht und auf der Leiter</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen …</translation>
    </message>
    <message>
        <source>Chosen slot alone</source>
        <translation>Nur gewählter Slot</translation>
    </message>
    <message>
        <source>Claim</source>
        <translation>Aussage</translation>
    </message>
    <message>
        <source>Clash</source>
        <translation>Konflikt</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>Clear to see the job without this step</source>
        <translation>Ohne Häkchen ist der Auftrag ohne diesen Schritt zu sehen</translation>
    </message>
    <message>
        <source>Click a guide; drag it, or an arm to move it along one axis</source>
        <translation>Klicken Sie einen Leitpunkt; ziehen Sie ihn, oder einen Arm, um ihn entlang einer Achse zu bewegen</translation>
    </message>
    <message>
        <source>Click a hull; drag a square to move that side, the dot to move it, the ring to turn it</source>
        <translation>Klicken Sie eine Hülle; ziehen Sie ein Quadrat, um diese Seite zu bewegen, den Punkt, um sie zu verschieben, den Ring, um sie zu drehen</translation>
    </message>
    <message>
        <source>Click a joint in the view to see its weights.</source>
        <translation>Klicken Sie ein Gelenk in der Ansicht, um seine Gewichte zu sehen.</translation>
    </message>
    <message>
        <source>Click a joint to choose it · drag to turn · right drag to slide · wheel to come nearer · double-click to frame all</source>
        <translation>Klicken wählt ein Gelenk · ziehen dreht · rechts ziehen schiebt · Mausrad holt näher · Doppelklick passt alles ein</translation>
    </message>
    <message>
        <source>Click the surface where the point on %1 is to be; Escape leaves it</source>
        <translation>Klicken Sie auf die Oberfläche, wo der Punkt an %1 sein soll; Esc lässt es</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>Clip %1, frames %2 to %3</source>
        <translation>Clip %1, Bilder %2 bis %3</translation>
    </message>
    <message>
        <source>Clip %1, frames %2 to %3, repeats</source>
        <translation>Clip %1, Bilder %2 bis %3, wiederholt sich</translation>
    </message>
    <message>
        <source>Clip length</source>
        <translation>Cliplänge</translation>
    </message>
    <message>
        <source>Clip names</source>
        <translation>Clipnamen</translation>
    </message>
    <message>
        <source>Clip {}</source>
        <translation>Clip {}</translation>
    </message>
    <message>
        <source>Clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>Clips cut from a take are listed here.</source>
        <translation>Clips, die aus einer Aufnahme geschnitten sind, stehen hier.</translation>
    </message>
    <message>
        <source>Clips in one file</source>
        <translation>Clips in einer Datei</translation>
    </message>
    <message>
        <source>Clips made for bare names will not find these joints.</source>
        <translation>Clips für bloße Namen finden diese Gelenke nicht.</translation>
    </message>
    <message>
        <source>Clips that follow each other begin in the same pose, or on the same foot.</source>
        <translation>Clips, die einander folgen, beginnen in derselben Pose, oder auf demselben Fuß.</translation>
    </message>
    <message>
        <source>Clips · %1</source>
        <translation>Clips · %1</translation>
    </message>
    <message>
        <source>Clips · %1 of %2 takes</source>
        <translation>Clips · %1 von %2 Aufnahmen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Close %1</source>
        <translation>%1 schließen</translation>
    </message>
    <message>
        <source>Close a loop</source>
        <translation>Schleife schließen</translation>
    </message>
    <message>
        <source>Close it</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Clothes bend like the body under them, and a new version of a surface like the one that was painted.</source>
        <translation>Kleider beugen sich wie der Körper darunter, und eine neue Fassung einer Oberfläche wie die, die gemalt wurde.</translation>
    </message>
    <message>
        <source>Clumped</source>
        <translation>Gebündelt</translation>
    </message>
    <message>
        <source>Clumped, root to tip</source>
        <translation>Gebündelt, Wurzel bis Spitze</translation>
    </message>
    <message>
        <source>Clumped, root to tip, at %1 centres</source>
        <translation>Gebündelt, Wurzel bis Spitze, an %1 Mitten</translation>
    </message>
    <message>
        <source>Clumped, root to tip, by the colours of the map</source>
        <translation>Gebündelt, Wurzel bis Spitze, nach den Farben der Karte</translation>
    </message>
    <message>
        <source>Clumps</source>
        <translation>Bündel</translation>
    </message>
    <message>
        <source>Collision hulls</source>
        <translation>Kollisionshüllen</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Colour a clip</source>
        <translation>Einen Clip einfärben</translation>
    </message>
    <message>
        <source>Colour of the clip</source>
        <translation>Farbe des Clips</translation>
    </message>
    <message>
        <source>Colours, images and alpha of the chosen slot's material</source>
        <translation>Farben, Bilder und Alpha des Materials im gewählten Slot</translation>
    </message>
    <message>
        <source>Columns of the texture</source>
        <translation>Spalten der Textur</translation>
    </message>
    <message>
        <source>Command</source>
        <translation>Befehl</translation>
    </message>
    <message>
        <source>Compare them, and take it or save over it.</source>
        <translation>Vergleichen Sie beide, und übernehmen Sie es oder speichern Sie darüber.</translation>
    </message>
    <message>
        <source>Compare with</source>
        <translation>Vergleichen mit</translation>
    </message>
    <message>
        <source>Compression</source>
        <translation>Verdichtung</translation>
    </message>
    <message>
        <source>Connect its drive, or choose the destination's folder anew.</source>
        <translation>Schließen Sie sein Laufwerk an, oder wählen Sie den Ordner des Ziels neu.</translation>
    </message>
    <message>
        <source>Contacts ▾</source>
        <translation>Kontakte ▾</translation>
    </message>
    <message>
        <source>Container</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Contents</source>
        <translation>Inhalt</translation>
    </message>
    <message>
        <source>Contract</source>
        <translation>Vertrag</translation>
    </message>
    <message>
        <source>Contract “%1”: %2 of %3 joints the same</source>
        <translation>Vertrag „%1“: %2 von %3 Gelenken gleich</translation>
    </message>
    <message>
        <source>Contracts (*.contract.json *.json)</source>
        <translation>Verträge (*.contract.json *.json)</translation>
    </message>
    <message>
        <source>Contracts (*.contract.json)</source>
        <translation>Verträge (*.contract.json)</translation>
    </message>
    <message>
        <source>Convention</source>
        <translation>Konvention</translation>
    </message>
    <message>
        <source>Coordinates</source>
        <translation>Koordinaten</translation>
    </message>
    <message>
        <source>Copies the pose that is shown at the playhead</source>
        <translation>Kopiert die Pose, die am Abspielkopf gezeigt wird</translation>
    </message>
    <message>
        <source>Copies what was delivered into one archive or folder to give on, with a list of all</source>
        <translation>Kopiert das Ausgelieferte in ein Archiv oder einen Ordner zum Weitergeben, mit einer Liste von allem</translation>
    </message>
    <message>
        <source>Copies what was delivered, each file held against its hash, with manifests, pictures, report and a list of all. Whoever unpacks it can ask whether it is whole. What lies in the folder already stays as it is.</source>
        <translation>Kopiert das Ausgelieferte, jede Datei mit ihrem Hash verglichen, mit Verzeichnissen, Bildern, Bericht und einer Liste von allem. Wer es auspackt, kann fragen, ob es vollständig ist. Was schon im Ordner liegt, bleibt, wie es ist.</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Copy all steps</source>
        <translation>Alle Schritte kopieren</translation>
    </message>
    <message>
        <source>Copy weights</source>
        <translation>Gewichte kopieren</translation>
    </message>
    <message>
        <source>Copying, and holding each file against its hash…</source>
        <translation>Wird kopiert, und jede Datei mit ihrem Hash verglichen …</translation>
    </message>
    <message>
        <source>Copy…</source>
        <translation>Kopie …</translation>
    </message>
    <message>
        <source>Corners at most</source>
        <translation>Ecken höchstens</translation>
    </message>
    <message>
        <source>Correct the matches: two joints of one branch are taken for each other.</source>
        <translation>Berichtigen Sie die Zuordnung: zwei Gelenke eines Zweiges gelten als einander.</translation>
    </message>
    <message>
        <source>Count</source>
        <translation>Anzahl</translation>
    </message>
    <message>
        <source>Counts from</source>
        <translation>Zählt von</translation>
    </message>
    <message>
        <source>Credits</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>Curl</source>
        <translation>Locke</translation>
    </message>
    <message>
        <source>Curve over the frames</source>
        <translation>Kurve über die Bilder</translation>
    </message>
    <message>
        <source>Curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>Curves that begin farther off are no guides</source>
        <translation>Kurven, die weiter weg beginnen, sind keine Leitkurven</translation>
    </message>
    <message>
        <source>Curves that were brought in; each becomes a guide</source>
        <translation>Eingelesene Kurven; jede wird eine Leitkurve</translation>
    </message>
    <message>
        <source>Cut %1 at its still places</source>
        <translation>%1 an den stillen Stellen schneiden</translation>
    </message>
    <message>
        <source>Cut %1 at the ranges its source names</source>
        <translation>%1 an den Bereichen schneiden, die die Quelle benennt</translation>
    </message>
    <message>
        <source>Cut all</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Cut at %1 names</source>
        <translation>An %1 Namen schneiden</translation>
    </message>
    <message>
        <source>Cut at frame %1</source>
        <translation>Bei Bild %1 schneiden</translation>
    </message>
    <message>
        <source>Cut at playhead</source>
        <translation>Hier schneiden</translation>
    </message>
    <message>
        <source>Cut at the surface</source>
        <translation>An der Oberfläche abschneiden</translation>
    </message>
    <message>
        <source>Cut from this take</source>
        <translation>Aus dieser Aufnahme geschnitten</translation>
    </message>
    <message>
        <source>Cut strands at the surface</source>
        <translation>Strähnen an der Oberfläche abschneiden</translation>
    </message>
    <message>
        <source>Cut takes into clips, see what closes</source>
        <translation>Aufnahmen in Clips schneiden, sehen, was sich schließt</translation>
    </message>
    <message>
        <source>Cut the take into a clip</source>
        <translation>Die Aufnahme in einen Clip schneiden</translation>
    </message>
    <message>
        <source>Cutoff</source>
        <translation>Schwelle</translation>
    </message>
    <message>
        <source>Cuts from a CSV or JSON file: name, start, end, loop, colour, note</source>
        <translation>Schnitte aus einer CSV- oder JSON-Datei: Name, Anfang, Ende, Wiederholung, Farbe, Bemerkung</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Dunkel</translation>
    </message>
    <message>
        <source>Data of a node</source>
        <translation>Daten eines Knotens</translation>
    </message>
    <message>
        <source>De&amp;liver what is not up to date</source>
        <translation>&amp;Ausliefern, was nicht aktuell ist</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Delete %1 keys</source>
        <translation>%1 Schlüssel löschen</translation>
    </message>
    <message>
        <source>Delete a key</source>
        <translation>Einen Schlüssel löschen</translation>
    </message>
    <message>
        <source>Delete pose %1</source>
        <translation>Pose %1 löschen</translation>
    </message>
    <message>
        <source>Deliver</source>
        <translation>Ausliefern</translation>
    </message>
    <message>
        <source>Deliver %1</source>
        <translation>%1 ausliefern</translation>
    </message>
    <message>
        <source>Deliver again when it is done.</source>
        <translation>Liefern Sie noch einmal, wenn sie fertig ist.</translation>
    </message>
    <message>
        <source>Deliver again, or make room.</source>
        <translation>Liefern Sie noch einmal, oder schaffen Sie Platz.</translation>
    </message>
    <message>
        <source>Deliver again.</source>
        <translation>Liefern Sie noch einmal.</translation>
    </message>
    <message>
        <source>Deliver all</source>
        <translation>Alle ausliefern</translation>
    </message>
    <message>
        <source>Deliver all that is not up to date</source>
        <translation>Alles ausliefern, was nicht aktuell ist</translation>
    </message>
    <message>
        <source>Deliver first.</source>
        <translation>Liefern Sie zuerst aus.</translation>
    </message>
    <message>
        <source>Deliver into a folder of another name.</source>
        <translation>Liefern Sie in einen Ordner mit anderem Namen.</translation>
    </message>
    <message>
        <source>Deliver it first.</source>
        <translation>Liefern Sie es zuerst aus.</translation>
    </message>
    <message>
        <source>Deliver nearer to the top, or give the destination a shorter file template.</source>
        <translation>Liefern Sie weiter oben hin, oder geben Sie dem Ziel eine kürzere Dateivorlage.</translation>
    </message>
    <message>
        <source>Deliver these %1</source>
        <translation>Diese %1 ausliefern</translation>
    </message>
    <message>
        <source>Deliver this one</source>
        <translation>Diese ausliefern</translation>
    </message>
    <message>
        <source>Delivering %1 of %2</source>
        <translation>%1 von %2 wird ausgeliefert</translation>
    </message>
    <message>
        <source>Delivering…</source>
        <translation>Wird ausgeliefert …</translation>
    </message>
    <message>
        <source>Delivery board</source>
        <translation>Liefertafel</translation>
    </message>
    <message>
        <source>Density</source>
        <translation>Dichte</translation>
    </message>
    <message>
        <source>Density from</source>
        <translation>Dichte aus</translation>
    </message>
    <message>
        <source>Density, finer clumps, parting and the rest</source>
        <translation>Dichte, feinere Bündel, Scheitel und das Übrige</translation>
    </message>
    <message>
        <source>Describe clips</source>
        <translation>Clips beschreiben</translation>
    </message>
    <message>
        <source>Destination</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>Destinations</source>
        <translation>Ziele</translation>
    </message>
    <message>
        <source>Destinations (*.json)</source>
        <translation>Ziele (*.json)</translation>
    </message>
    <message>
        <source>Destinations that are kept there are at hand for all who share it.</source>
        <translation>Ziele, die dort liegen, stehen allen zur Verfügung, die ihn teilen.</translation>
    </message>
    <message>
        <source>Diameter</source>
        <translation>Durchmesser</translation>
    </message>
    <message>
        <source>Dismiss</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>Dismisses this line</source>
        <translation>Blendet diese Zeile aus</translation>
    </message>
    <message>
        <source>Distance</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Divided, so that every clip looks as it did, or left, so that it moves more</source>
        <translation>Geteilt, sodass jeder Clip aussieht wie zuvor, oder belassen, sodass sie mehr bewegt</translation>
    </message>
    <message>
        <source>Don't repeat</source>
        <translation>Einmal</translation>
    </message>
    <message>
        <source>Double-click a joint of the take to choose another one; — lets the joint here rest. Double-click how it was told to say that it is a foot, a hand or a prop. Apart: how far a bone points from where the take's does, at the worst frame</source>
        <translation>Doppelklicken Sie ein Gelenk der Aufnahme, um ein anderes zu wählen; — lässt das Gelenk hier ruhen. Doppelklicken Sie, woran es erkannt wurde, um zu sagen, dass es ein Fuß, eine Hand oder ein Requisit ist. Abstand: wie weit ein Knochen von der Richtung der Aufnahme abweicht, am schlimmsten Bild</translation>
    </message>
    <message>
        <source>Double-click or Enter edits · drag or Alt+Up and Alt+Down move · Delete removes it</source>
        <translation>Doppelklick oder Eingabe bearbeitet · ziehen oder Alt+Auf und Alt+Ab verschieben · Entf entfernt ihn</translation>
    </message>
    <message>
        <source>Double-sided</source>
        <translation>Beidseitig</translation>
    </message>
    <message>
        <source>Doubles cost an engine time and open up when normals or weights are made anew.</source>
        <translation>Doppelte kosten eine Engine Zeit und klaffen auf, wenn Normalen oder Gewichte neu gemacht werden.</translation>
    </message>
    <message>
        <source>Down to {}: feet {} the ground by as much.</source>
        <translation>Bis hinab zu {}: Füße {} den Boden um ebenso viel.</translation>
    </message>
    <message>
        <source>Drag a tangent</source>
        <translation>Eine Tangente ziehen</translation>
    </message>
    <message>
        <source>Drag over the surface to paint · right drag slides, a drag beside it turns · Escape ends</source>
        <translation>Über die Oberfläche ziehen malt · rechts ziehen schiebt, daneben ziehen dreht · Esc beendet</translation>
    </message>
    <message>
        <source>Drag the joint, its ring or a bead</source>
        <translation>Das Gelenk, seinen Ring oder eine Perle ziehen</translation>
    </message>
    <message>
        <source>Drag to a frame; arrow keys go frame by frame</source>
        <translation>Ziehen geht zu einem Bild; die Pfeiltasten gehen Bild für Bild</translation>
    </message>
    <message>
        <source>Drag to go to a frame</source>
        <translation>Ziehen, um zu einem Bild zu gehen</translation>
    </message>
    <message>
        <source>Draw a line on the surface: strands of one side take nothing from the other</source>
        <translation>Eine Linie auf der Oberfläche ziehen: Strähnen der einen Seite nehmen nichts von der anderen</translation>
    </message>
    <message>
        <source>Draw a parting</source>
        <translation>Einen Scheitel ziehen</translation>
    </message>
    <message>
        <source>Draw a parting on the surface · a drag beside it turns · Escape ends</source>
        <translation>Einen Scheitel auf die Oberfläche ziehen · daneben ziehen dreht · Esc beendet</translation>
    </message>
    <message>
        <source>Draw around faces, or click one of their corners · Ctrl adds · Shift drag slides · Escape ends</source>
        <translation>Flächen umfahren, oder eine ihrer Ecken klicken · Strg nimmt hinzu · Umschalt ziehen schiebt · Esc beendet</translation>
    </message>
    <message>
        <source>Draw around the faces on which strands are to grow</source>
        <translation>Die Flächen umfahren, auf denen Strähnen wachsen sollen</translation>
    </message>
    <message>
        <source>Draw around vertices in the view, or click one, to see and type their weights.</source>
        <translation>Umfahren Sie Punkte in der Ansicht, oder klicken Sie einen, um ihre Gewichte zu sehen und zu tippen.</translation>
    </message>
    <message>
        <source>Draw around vertices, or click one · Ctrl adds · Shift drag slides · Escape ends</source>
        <translation>Punkte umfahren, oder einen klicken · Strg nimmt hinzu · Umschalt ziehen schiebt · Esc beendet</translation>
    </message>
    <message>
        <source>Draw the picture again</source>
        <translation>Das Bild neu zeichnen</translation>
    </message>
    <message>
        <source>Draw…</source>
        <translation>Ziehen …</translation>
    </message>
    <message>
        <source>Drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>Drift limit (mm)</source>
        <translation>Driftgrenze (mm)</translation>
    </message>
    <message>
        <source>Drift of shapes at most</source>
        <translation>Drift der Formen höchstens</translation>
    </message>
    <message>
        <source>Drift over the clip</source>
        <translation>Drift über den Clip</translation>
    </message>
    <message>
        <source>Drop that joint, or mend the source.</source>
        <translation>Entfernen Sie dieses Gelenk, oder beheben Sie die Quelle.</translation>
    </message>
    <message>
        <source>Drop that node in an engine and the character lies on its face or changes its size.</source>
        <translation>Fällt dieser Knoten in einer Engine weg, liegt die Figur auf dem Gesicht oder ändert ihre Größe.</translation>
    </message>
    <message>
        <source>Due</source>
        <translation>Fällig</translation>
    </message>
    <message>
        <source>Duration</source>
        <translation>Dauer</translation>
    </message>
    <message>
        <source>Each clip's own where it is not set. A key on every frame of all that a clip keys, nothing beside its range; stepped stays stepped. Drift is measured at four moments per frame</source>
        <translation>Die des Clips, wo sie nicht gesetzt ist. Ein Schlüssel auf jedem Bild für alles, was ein Clip bewegt, nichts neben seinem Bereich; Gestuftes bleibt gestuft. Die Drift wird an vier Momenten je Bild gemessen</translation>
    </message>
    <message>
        <source>Each face by</source>
        <translation>Jede Fläche nach</translation>
    </message>
    <message>
        <source>Each strand as a line of a surface, with its width</source>
        <translation>Jede Strähne als Linie einer Oberfläche, mit ihrer Breite</translation>
    </message>
    <message>
        <source>Each surface, each material slot, or what each joint holds (a ragdoll's set)</source>
        <translation>Jede Oberfläche, jeden Materialslot, oder was jedes Gelenk hält (der Satz einer Gliederpuppe)</translation>
    </message>
    <message>
        <source>Each to its own origin, or all get the world's and what they show stays</source>
        <translation>Jedes in den eigenen Ursprung, oder alle bekommen den der Welt und was sie zeigen, bleibt</translation>
    </message>
    <message>
        <source>Edit %1</source>
        <translation>%1 bearbeiten</translation>
    </message>
    <message>
        <source>Edit clip %1</source>
        <translation>Clip %1 ändern</translation>
    </message>
    <message>
        <source>Edit destinations</source>
        <translation>Ziele bearbeiten</translation>
    </message>
    <message>
        <source>Edit…</source>
        <translation>Bearbeiten …</translation>
    </message>
    <message>
        <source>Emission</source>
        <translation>Leuchten</translation>
    </message>
    <message>
        <source>Emission image</source>
        <translation>Bild des Leuchtens</translation>
    </message>
    <message>
        <source>End</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>End at frame %1</source>
        <translation>Ende bei %1</translation>
    </message>
    <message>
        <source>Ends after the file that is being written; what arrived stays</source>
        <translation>Endet nach der Datei, die gerade geschrieben wird; was ankam, bleibt</translation>
    </message>
    <message>
        <source>Ends get weights, too</source>
        <translation>Enden bekommen auch Gewichte</translation>
    </message>
    <message>
        <source>Ends with</source>
        <translation>Endet mit</translation>
    </message>
    <message>
        <source>Energy</source>
        <translation>Energie</translation>
    </message>
    <message>
        <source>Engine</source>
        <translation>Engine</translation>
    </message>
    <message>
        <source>Engines light such vertices too dark, too bright or not at all; the first is vertex {}.</source>
        <translation>Engines beleuchten solche Punkte zu dunkel, zu hell oder gar nicht; der erste ist Punkt {}.</translation>
    </message>
    <message>
        <source>Engines move a character by its root: the trajectory of the pelvis is handed to it, or taken out.</source>
        <translation>Engines bewegen eine Figur an ihrer Wurzel: der Weg des Beckens wird ihr übergeben, oder herausgenommen.</translation>
    </message>
    <message>
        <source>Engines multiply joint scales their own way, or drop them; at 1 there is nothing to disagree about.</source>
        <translation>Engines multiplizieren Gelenkskalierungen auf eigene Weise, oder lassen sie weg; bei 1 gibt es nichts, worüber sie uneins sein könnten.</translation>
    </message>
    <message>
        <source>Engines number joints as the file lists them; the same order every time keeps what refers to numbers.</source>
        <translation>Engines zählen Gelenke, wie die Datei sie aufzählt; jedes Mal dieselbe Reihenfolge bewahrt, was sich auf Nummern bezieht.</translation>
    </message>
    <message>
        <source>Engines take it that the weights of a vertex sum to 1; where they do not, the surface shrinks to the origin.</source>
        <translation>Engines nehmen an, dass die Gewichte eines Punktes 1 ergeben; wo nicht, schrumpft die Oberfläche zum Ursprung.</translation>
    </message>
    <message>
        <source>Engines take the pose a file rests in for the one it was bound in; here they become the same.</source>
        <translation>Engines halten die Pose, in der eine Datei ruht, für die, in der gebunden wurde; hier werden beide eins.</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Jedes</translation>
    </message>
    <message>
        <source>Every .glb and .gltf, and the manifest of every delivery, says which family and variant it is of, its license and credits. The ids are given once and stay, whatever job and files are called.</source>
        <translation>Jede .glb und .gltf, und das Verzeichnis jeder Lieferung, sagt, von welcher Familie und Variante sie ist, ihre Lizenz und Urheber. Die Kennungen werden einmal vergeben und bleiben, wie Auftrag und Dateien auch heißen.</translation>
    </message>
    <message>
        <source>Every curve ends exactly as it begins, at the clip's last frame, and repeats</source>
        <translation>Jede Kurve endet genau, wie sie beginnt, am letzten Bild des Clips, und wiederholt sich</translation>
    </message>
    <message>
        <source>Every delivery from now on must have the joints that are prepared here now</source>
        <translation>Jede Lieferung muss von nun an die Gelenke haben, die jetzt hier vorbereitet sind</translation>
    </message>
    <message>
        <source>Every frame</source>
        <translation>Jedes Bild</translation>
    </message>
    <message>
        <source>Every frame of its own rate</source>
        <translation>Jedes Bild der eigenen Rate</translation>
    </message>
    <message>
        <source>Every name is previewed here before the rule is used.</source>
        <translation>Jeder Name ist hier zu sehen, bevor die Regel benutzt wird.</translation>
    </message>
    <message>
        <source>Every thing that is not in the files, why, and who left it out</source>
        <translation>Alles, was nicht in den Dateien ist, warum, und wer es wegließ</translation>
    </message>
    <message>
        <source>Everything of these kinds</source>
        <translation>Alles von diesen Arten</translation>
    </message>
    <message>
        <source>Extract root motion</source>
        <translation>Wurzelbewegung herauslösen</translation>
    </message>
    <message>
        <source>Extract root motion…</source>
        <translation>Wurzelbewegung …</translation>
    </message>
    <message>
        <source>Extras and extensions</source>
        <translation>Zusatzangaben und Erweiterungen</translation>
    </message>
    <message>
        <source>Face forward</source>
        <translation>Nach vorn drehen</translation>
    </message>
    <message>
        <source>Faces</source>
        <translation>Flächen</translation>
    </message>
    <message>
        <source>Faces go that have all their corners among these; choose them in the view</source>
        <translation>Flächen gehen, die alle Ecken unter diesen haben; wählen Sie sie in der Ansicht</translation>
    </message>
    <message>
        <source>Faces that meet at more than this have an edge; 180: smooth all over</source>
        <translation>Flächen, die sich mit mehr als diesem treffen, haben eine Kante; 180: überall weich</translation>
    </message>
    <message>
        <source>Faces to a slot…</source>
        <translation>In Slot …</translation>
    </message>
    <message>
        <source>Factor</source>
        <translation>Faktor</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation>Einblenden</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>Falloff</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>Family</source>
        <translation>Familie</translation>
    </message>
    <message>
        <source>Family and &amp;variant…</source>
        <translation>Familie und Va&amp;riante …</translation>
    </message>
    <message>
        <source>Family and variant</source>
        <translation>Familie und Variante</translation>
    </message>
    <message>
        <source>Feet</source>
        <translation>Füße</translation>
    </message>
    <message>
        <source>Few plain materials with the right names are all that many an engine project wants of a file.</source>
        <translation>Wenige einfache Materialien mit den richtigen Namen sind alles, was viele Engine-Projekte von einer Datei wollen.</translation>
    </message>
    <message>
        <source>Fewer keys</source>
        <translation>Weniger Schlüssel</translation>
    </message>
    <message>
        <source>Fewer keys…</source>
        <translation>Weniger …</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>File names</source>
        <translation>Dateinamen</translation>
    </message>
    <message>
        <source>File names, * and ? stand for any characters; none: every source that is motion for these joints</source>
        <translation>Dateinamen, * und ? stehen für beliebige Zeichen; keine: jede Quelle, die Bewegung für die Gelenke ist</translation>
    </message>
    <message>
        <source>File's front becomes</source>
        <translation>Vorn der Datei wird</translation>
    </message>
    <message>
        <source>File's up becomes</source>
        <translation>Oben der Datei wird</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Files of containers that have no place for it are told by the delivery.json of their folder.</source>
        <translation>Dateien von Formaten, die dafür keinen Platz haben, kennt die delivery.json ihres Ordners.</translation>
    </message>
    <message>
        <source>Files of these kinds, where the job has something of the kind and the container holds it.</source>
        <translation>Dateien dieser Arten, wo der Auftrag etwas dieser Art hat und das Format es fasst.</translation>
    </message>
    <message>
        <source>Files with a skeleton (*.glb *.gltf *.bvh)</source>
        <translation>Dateien mit einem Skelett (*.glb *.gltf *.bvh)</translation>
    </message>
    <message>
        <source>Files…</source>
        <translation>Dateien …</translation>
    </message>
    <message>
        <source>Fill only</source>
        <translation>Nur füllen</translation>
    </message>
    <message>
        <source>Filled in as well: %1</source>
        <translation>Außerdem ausgefüllt: %1</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>Find a joint</source>
        <translation>Ein Gelenk suchen</translation>
    </message>
    <message>
        <source>Find a joint by its old or new name</source>
        <translation>Ein Gelenk nach altem oder neuem Namen suchen</translation>
    </message>
    <message>
        <source>Find a step by its name or by what it is for</source>
        <translation>Einen Schritt nach seinem Namen oder seinem Zweck suchen</translation>
    </message>
    <message>
        <source>Find files</source>
        <translation>Dateien suchen</translation>
    </message>
    <message>
        <source>Find in names</source>
        <translation>In Namen suchen</translation>
    </message>
    <message>
        <source>Find missing files</source>
        <translation>Fehlende Dateien suchen</translation>
    </message>
    <message>
        <source>Find on the board</source>
        <translation>Auf der Tafel suchen</translation>
    </message>
    <message>
        <source>Find the feet</source>
        <translation>Die Füße suchen</translation>
    </message>
    <message>
        <source>Find vertices</source>
        <translation>Punkte finden</translation>
    </message>
    <message>
        <source>Find, replace or remove the chosen source, or say what it is</source>
        <translation>Die gewählte Quelle suchen, ersetzen oder entfernen, oder sagen, was sie ist</translation>
    </message>
    <message>
        <source>Finding</source>
        <translation>Befund</translation>
    </message>
    <message>
        <source>Findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>Findings · %1 open</source>
        <translation>Befunde · %1 offen</translation>
    </message>
    <message>
        <source>Findings · none open</source>
        <translation>Befunde · keiner offen</translation>
    </message>
    <message>
        <source>Finer clumped</source>
        <translation>Feiner gebündelt</translation>
    </message>
    <message>
        <source>Finer clumps</source>
        <translation>Feinere Bündel</translation>
    </message>
    <message>
        <source>First</source>
        <translation>Zuerst</translation>
    </message>
    <message>
        <source>First = last</source>
        <translation>Erstes = letztes</translation>
    </message>
    <message>
        <source>First about X</source>
        <translation>Zuerst um X</translation>
    </message>
    <message>
        <source>First delivery, %1 of %2: %3</source>
        <translation>Erste Lieferung, %1 von %2: %3</translation>
    </message>
    <message>
        <source>First delivery: done</source>
        <translation>Erste Lieferung: fertig</translation>
    </message>
    <message>
        <source>First equals last</source>
        <translation>Erstes gleich letztem</translation>
    </message>
    <message>
        <source>First frame</source>
        <translation>Erstes Bild</translation>
    </message>
    <message>
        <source>First frame of it</source>
        <translation>Sein erstes Bild</translation>
    </message>
    <message>
        <source>First frame of the layer; not set: the clip's</source>
        <translation>Erstes Bild der Ebene; nicht gesetzt: das des Clips</translation>
    </message>
    <message>
        <source>First frame of the take</source>
        <translation>Erstes Bild der Aufnahme</translation>
    </message>
    <message>
        <source>Fit a contract</source>
        <translation>An einen Vertrag anpassen</translation>
    </message>
    <message>
        <source>Flat, drawn from both sides; or round</source>
        <translation>Flach, von beiden Seiten gezeichnet; oder rund</translation>
    </message>
    <message>
        <source>Flip winding</source>
        <translation>Umlaufsinn umkehren</translation>
    </message>
    <message>
        <source>Flood</source>
        <translation>Füllen</translation>
    </message>
    <message>
        <source>Fold the &amp;route card</source>
        <translation>Laufkarte einkla&amp;ppen</translation>
    </message>
    <message>
        <source>Fold the route card away</source>
        <translation>Die Laufkarte einklappen</translation>
    </message>
    <message>
        <source>Fold the route card away or back</source>
        <translation>Die Laufkarte ein- oder ausklappen</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Folder of the run</source>
        <translation>Ordner des Laufs</translation>
    </message>
    <message>
        <source>Follow</source>
        <translation>Folgen</translation>
    </message>
    <message>
        <source>Follow the clip</source>
        <translation>Dem Clip folgen</translation>
    </message>
    <message>
        <source>For each joint…</source>
        <translation>Für jedes Gelenk …</translation>
    </message>
    <message>
        <source>For engines without strands</source>
        <translation>Für Engines ohne Strähnen</translation>
    </message>
    <message>
        <source>Forward axis</source>
        <translation>Achse nach vorn</translation>
    </message>
    <message>
        <source>Found: %1</source>
        <translation>Gefunden: %1</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Frame &amp;all</source>
        <translation>&amp;Alles einpassen</translation>
    </message>
    <message>
        <source>Frame &amp;selection</source>
        <translation>Auswahl &amp;einpassen</translation>
    </message>
    <message>
        <source>Frame Time</source>
        <translation>Bildzeit</translation>
    </message>
    <message>
        <source>Frame all</source>
        <translation>Alles einpassen</translation>
    </message>
    <message>
        <source>Frame and time, at %1 frames per second</source>
        <translation>Bild und Zeit, mit %1 Bildern in der Sekunde</translation>
    </message>
    <message>
        <source>Frame of the clip</source>
        <translation>Bild des Clips</translation>
    </message>
    <message>
        <source>Frame rate</source>
        <translation>Bildrate</translation>
    </message>
    <message>
        <source>Frame rate (fps)</source>
        <translation>Bildrate (B/s)</translation>
    </message>
    <message>
        <source>Frame selection</source>
        <translation>Auswahl einpassen</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Frames %1 to %2 are no part of the take, which has 0 to %3: “%4” stays as it was.</source>
        <translation>Die Bilder %1 bis %2 gehören nicht zur Aufnahme, die 0 bis %3 hat: „%4“ bleibt, wie es war.</translation>
    </message>
    <message>
        <source>Frames a second of clips that are keyed at every frame.</source>
        <translation>Bilder in der Sekunde von Clips, die an jedem Bild Schlüssel haben.</translation>
    </message>
    <message>
        <source>Frames are counted at this rate; keys and duration stay</source>
        <translation>Bilder werden mit dieser Rate gezählt; Schlüssel und Dauer bleiben</translation>
    </message>
    <message>
        <source>Frames are left out as far as this allows; 0: the destination's limit</source>
        <translation>Bilder werden weggelassen, soweit dies es erlaubt; 0: die Grenze des Ziels</translation>
    </message>
    <message>
        <source>Frames back to nothing</source>
        <translation>Bilder zurück auf nichts</translation>
    </message>
    <message>
        <source>Frames count from 0.</source>
        <translation>Bilder zählen von 0.</translation>
    </message>
    <message>
        <source>Frames from nothing to its weight</source>
        <translation>Bilder von nichts bis zu ihrem Gewicht</translation>
    </message>
    <message>
        <source>Frames in which less moves are still; the dotted line on the strip</source>
        <translation>Bilder, in denen sich weniger bewegt, sind still; die gepunktete Linie auf dem Streifen</translation>
    </message>
    <message>
        <source>Frames over which it ceases to count</source>
        <translation>Bilder, über die sie zu zählen aufhört</translation>
    </message>
    <message>
        <source>Frames that play over each other</source>
        <translation>Bilder, die übereinander spielen</translation>
    </message>
    <message>
        <source>Frames to smooth the trajectory over</source>
        <translation>Bilder, über die der Weg geglättet wird</translation>
    </message>
    <message>
        <source>Frames until it counts fully</source>
        <translation>Bilder, bis sie ganz zählt</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>From a few guides to as many strands as hair has, in clumps and not all alike; the same ones every time.</source>
        <translation>Aus wenigen Leitkurven so viele Strähnen, wie Haar hat, in Bündeln und nicht alle gleich; jedes Mal dieselben.</translation>
    </message>
    <message>
        <source>From a file…</source>
        <translation>Aus einer Datei …</translation>
    </message>
    <message>
        <source>From curves</source>
        <translation>Aus Kurven</translation>
    </message>
    <message>
        <source>From joints</source>
        <translation>Von Gelenken</translation>
    </message>
    <message>
        <source>From my library: %1</source>
        <translation>Aus meiner Bibliothek: %1</translation>
    </message>
    <message>
        <source>From one of the poses about to the next</source>
        <translation>Von einer der Posen ringsum zur nächsten</translation>
    </message>
    <message>
        <source>From root (left) to tip (right); drag a point up or down, or choose it with the left and right arrows and move it with up and down</source>
        <translation>Von der Wurzel (links) zur Spitze (rechts); ziehen Sie einen Punkt nach oben oder unten, oder wählen Sie ihn mit den Pfeilen nach links und rechts und bewegen Sie ihn mit denen nach oben und unten</translation>
    </message>
    <message>
        <source>From source</source>
        <translation>Aus Quelle</translation>
    </message>
    <message>
        <source>From surface</source>
        <translation>Von Oberfläche</translation>
    </message>
    <message>
        <source>From the team: %1</source>
        <translation>Vom Team: %1</translation>
    </message>
    <message>
        <source>Front</source>
        <translation>Vorn</translation>
    </message>
    <message>
        <source>Front in the file</source>
        <translation>Vorn in der Datei</translation>
    </message>
    <message>
        <source>Further attributes</source>
        <translation>Weitere Attribute</translation>
    </message>
    <message>
        <source>Further vertices there, behind all others; else every vertex stays the only one and gets the mean</source>
        <translation>Dort weitere Punkte, hinter allen anderen; sonst bleibt jeder Punkt der einzige und bekommt das Mittel</translation>
    </message>
    <message>
        <source>GLB chunk</source>
        <translation>GLB-Abschnitt</translation>
    </message>
    <message>
        <source>GLB header</source>
        <translation>GLB-Kopf</translation>
    </message>
    <message>
        <source>Games find clips by name: rules give them the project's, and fit the next takes too.</source>
        <translation>Spiele finden Clips am Namen: Regeln geben ihnen die des Projekts, und gelten auch für die nächsten Aufnahmen.</translation>
    </message>
    <message>
        <source>Give a folder below the job's, or the whole path of another one.</source>
        <translation>Geben Sie einen Ordner unter dem des Auftrags an, oder den ganzen Pfad eines anderen.</translation>
    </message>
    <message>
        <source>Give another name.</source>
        <translation>Geben Sie einen anderen Namen.</translation>
    </message>
    <message>
        <source>Give it another name.</source>
        <translation>Geben Sie ihm einen anderen Namen.</translation>
    </message>
    <message>
        <source>Give left and right joints names that say so, or places that mirror each other.</source>
        <translation>Geben Sie linken und rechten Gelenken Namen, die es sagen, oder Orte, die einander spiegeln.</translation>
    </message>
    <message>
        <source>Give one of the two destinations another name or folder.</source>
        <translation>Geben Sie einem der beiden Ziele einen anderen Namen oder Ordner.</translation>
    </message>
    <message>
        <source>Give one of them another variant's name.</source>
        <translation>Geben Sie einem davon den Namen einer anderen Variante.</translation>
    </message>
    <message>
        <source>Give other endings.</source>
        <translation>Geben Sie andere Endungen.</translation>
    </message>
    <message>
        <source>Give the chains other names for their joints.</source>
        <translation>Geben Sie den Ketten andere Namen für ihre Gelenke.</translation>
    </message>
    <message>
        <source>Give the destination a shorter file template.</source>
        <translation>Geben Sie dem Ziel eine kürzere Dateivorlage.</translation>
    </message>
    <message>
        <source>Give the destination another file template.</source>
        <translation>Geben Sie dem Ziel eine andere Dateivorlage.</translation>
    </message>
    <message>
        <source>Give the package another name.</source>
        <translation>Geben Sie dem Paket einen anderen Namen.</translation>
    </message>
    <message>
        <source>Give the strands another name.</source>
        <translation>Geben Sie den Strähnen einen anderen Namen.</translation>
    </message>
    <message>
        <source>Give the surface weights there first.</source>
        <translation>Geben Sie der Oberfläche dort zuerst Gewichte.</translation>
    </message>
    <message>
        <source>Gives the surface its first weights: all joints but the motion root may have some</source>
        <translation>Gibt der Oberfläche ihre ersten Gewichte: alle Gelenke außer der Bewegungswurzel dürfen welche haben</translation>
    </message>
    <message>
        <source>Gives this joint that weight on all chosen vertices</source>
        <translation>Gibt diesem Gelenk dieses Gewicht auf allen gewählten Punkten</translation>
    </message>
    <message>
        <source>Go to a station, joint, clip or finding, or do something</source>
        <translation>Zu einer Station, einem Gelenk, Clip oder Befund gehen, oder etwas tun</translation>
    </message>
    <message>
        <source>Go to or do</source>
        <translation>Gehe zu oder tue</translation>
    </message>
    <message>
        <source>Go to or do: find everything by typing</source>
        <translation>Gehe zu oder tue: alles durch Tippen finden</translation>
    </message>
    <message>
        <source>Godot 3 add-on…</source>
        <translation>Erweiterung für Godot 3 …</translation>
    </message>
    <message>
        <source>Goes to the clip on the take strip</source>
        <translation>Geht zum Clip auf dem Aufnahmestreifen</translation>
    </message>
    <message>
        <source>Grow</source>
        <translation>Größer</translation>
    </message>
    <message>
        <source>Grow along X</source>
        <translation>Wachsen entlang X</translation>
    </message>
    <message>
        <source>Grow fewer, or with fewer points.</source>
        <translation>Lassen Sie weniger wachsen, oder mit weniger Punkten.</translation>
    </message>
    <message>
        <source>Grow on all faces of a material slot instead</source>
        <translation>Statt dessen auf allen Flächen eines Materialslots wachsen</translation>
    </message>
    <message>
        <source>Grow strands</source>
        <translation>Strähnen wachsen lassen</translation>
    </message>
    <message>
        <source>Grow the strands first.</source>
        <translation>Lassen Sie zuerst die Strähnen wachsen.</translation>
    </message>
    <message>
        <source>Grow them first.</source>
        <translation>Lassen Sie sie zuerst wachsen.</translation>
    </message>
    <message>
        <source>Grown ones can be lifted, or cut at the surface, where they are grown.</source>
        <translation>Gewachsene lassen sich dort anheben oder an der Oberfläche abschneiden, wo sie wachsen.</translation>
    </message>
    <message>
        <source>Growth</source>
        <translation>Wuchs</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <source>Guides</source>
        <translation>Leitkurven</translation>
    </message>
    <message>
        <source>Guides for strands</source>
        <translation>Leitkurven für Strähnen</translation>
    </message>
    <message>
        <source>Hair and feathers grow on a part of the surface: which faces, and how densely.</source>
        <translation>Haar und Federn wachsen auf einem Teil der Oberfläche: auf welchen Flächen, und wie dicht.</translation>
    </message>
    <message>
        <source>Hair that somebody else made comes in another unit, on its side, and tied to nothing.</source>
        <translation>Haar, das jemand anders gemacht hat, kommt in anderer Einheit, auf der Seite liegend und an nichts gebunden.</translation>
    </message>
    <message>
        <source>Hair, feathers, fringes: where they grow, how they follow</source>
        <translation>Haar, Federn, Fransen: wo sie wachsen, wie sie folgen</translation>
    </message>
    <message>
        <source>Hairs</source>
        <translation>Härchen</translation>
    </message>
    <message>
        <source>Hand it reads by</source>
        <translation>Hand, mit der sie liest</translation>
    </message>
    <message>
        <source>Hand over now</source>
        <translation>Jetzt übergeben</translation>
    </message>
    <message>
        <source>Handedness</source>
        <translation>Händigkeit</translation>
    </message>
    <message>
        <source>Hands</source>
        <translation>Hände</translation>
    </message>
    <message>
        <source>Hands model and clips to an engine that is open, and the pose while you scrub</source>
        <translation>Übergibt Modell und Clips an eine offene Engine, und beim Ziehen durch die Zeit auch die Pose</translation>
    </message>
    <message>
        <source>Hard above</source>
        <translation>Hart über</translation>
    </message>
    <message>
        <source>Hard at seams</source>
        <translation>Hart an Nähten</translation>
    </message>
    <message>
        <source>Has a real engine import the file, and holds what it makes of it against what is in it</source>
        <translation>Lässt eine echte Engine die Datei einlesen und vergleicht, was sie daraus macht, mit dem, was darin ist</translation>
    </message>
    <message>
        <source>Heat spreads along the surface from the bones it sees; through the volume is for surfaces that are open, overlap or come in pieces</source>
        <translation>Wärme breitet sich von den Knochen, die sie sieht, über die Oberfläche aus; durch das Volumen ist für Oberflächen, die offen sind, sich überlappen oder aus Stücken bestehen</translation>
    </message>
    <message>
        <source>Heaviest</source>
        <translation>Schwerstes</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Held</source>
        <translation>Angehalten</translation>
    </message>
    <message>
        <source>Held by</source>
        <translation>Angehalten von</translation>
    </message>
    <message>
        <source>Held by at least</source>
        <translation>Gehalten mit mindestens</translation>
    </message>
    <message>
        <source>Held. %1</source>
        <translation>Angehalten. %1</translation>
    </message>
    <message>
        <source>Helpers and tips cost an engine time in every frame; their weights go to the joint above.</source>
        <translation>Helfer und Spitzen kosten eine Engine Zeit in jedem Bild; ihre Gewichte gehen an das Gelenk darüber.</translation>
    </message>
    <message>
        <source>Her motions stand in one long take. Put the playhead where she stands still, at frame 220 say, and press Return; then at 396. A cut has two ends.</source>
        <translation>Ihre Bewegungen stehen in einer langen Aufnahme. Stellen Sie den Abspielkopf dorthin, wo sie stillsteht, etwa auf Bild 220, und drücken Sie die Eingabetaste; dann auf 396. Ein Schnitt hat zwei Enden.</translation>
    </message>
    <message>
        <source>Here</source>
        <translation>Hier</translation>
    </message>
    <message>
        <source>How far %1 is in</source>
        <translation>Wie weit %1 wirkt</translation>
    </message>
    <message>
        <source>How far a vertex may be from the mirror image of the one it answers</source>
        <translation>Wie weit ein Punkt vom Spiegelbild dessen sein darf, dem er entspricht</translation>
    </message>
    <message>
        <source>How far a vertex may be from the mirror image of the one that answers it</source>
        <translation>Wie weit ein Punkt vom Spiegelbild dessen sein darf, der ihm entspricht</translation>
    </message>
    <message>
        <source>How far along</source>
        <translation>Wie weit auf dem Weg</translation>
    </message>
    <message>
        <source>How far apart two may be</source>
        <translation>Wie weit zwei auseinander sein dürfen</translation>
    </message>
    <message>
        <source>How far away, where they are found by place</source>
        <translation>Wie weit weg, wo sie nach dem Ort gefunden werden</translation>
    </message>
    <message>
        <source>How far each vertex goes towards the mean of those around it; 1: all the way</source>
        <translation>Wie weit jeder Punkt zum Mittel derer um ihn geht; 1: ganz</translation>
    </message>
    <message>
        <source>How far every vertex of the right state is from where the left one has it</source>
        <translation>Wie weit jeder Punkt des rechten Zustands von dem des linken entfernt ist</translation>
    </message>
    <message>
        <source>How far in it is baked</source>
        <translation>Wie weit sie gebacken wird</translation>
    </message>
    <message>
        <source>How far it goes over the ground from its first frame to its last</source>
        <translation>Wie weit er von seinem ersten Bild bis zum letzten über den Boden geht</translation>
    </message>
    <message>
        <source>How far it is, once baked for the destination, from its own curves between the frames</source>
        <translation>Wie weit er, für das Ziel gebacken, zwischen den Bildern neben den eigenen Kurven liegt</translation>
    </message>
    <message>
        <source>How far joints may turn, by name, as [plans](plan-format.md) say: what goes beyond is measured</source>
        <translation>Wie weit sich Gelenke drehen dürfen, nach Namen, wie [Pläne](plan-format.md) es sagen: was darüber geht, wird gemessen</translation>
    </message>
    <message>
        <source>How far on the way to them: 0 to 1</source>
        <translation>Wie weit auf dem Weg zu ihnen: 0 bis 1</translation>
    </message>
    <message>
        <source>How far pelvis and root go</source>
        <translation>Wie weit Becken und Wurzel gehen</translation>
    </message>
    <message>
        <source>How far pelvis and root go: by the length of the legs, or as far as there</source>
        <translation>Wie weit Becken und Wurzel gehen: nach der Länge der Beine, oder so weit wie dort</translation>
    </message>
    <message>
        <source>How far strands go to their centre</source>
        <translation>Wie weit Strähnen zu ihrer Mitte gehen</translation>
    </message>
    <message>
        <source>How far strands go to those</source>
        <translation>Wie weit Strähnen zu jenen gehen</translation>
    </message>
    <message>
        <source>How far strands wander</source>
        <translation>Wie weit Strähnen abschweifen</translation>
    </message>
    <message>
        <source>How far the brush reaches on the surface</source>
        <translation>Wie weit der Pinsel auf der Oberfläche reicht</translation>
    </message>
    <message>
        <source>How far the joints go towards the pose</source>
        <translation>Wie weit die Gelenke zur Pose gehen</translation>
    </message>
    <message>
        <source>How far the last pose of a clip that repeats is from its first</source>
        <translation>Wie weit die letzte Pose eines Clips, der sich wiederholt, von seiner ersten ist</translation>
    </message>
    <message>
        <source>How far the surface may face another way there; 180: any way</source>
        <translation>Wie weit die Oberfläche dort anders gerichtet sein darf; 180: beliebig</translation>
    </message>
    <message>
        <source>How far this step moved any vertex, over every frame</source>
        <translation>Wie weit dieser Schritt irgendeinen Punkt bewegte, über jedes Bild</translation>
    </message>
    <message>
        <source>How far two states are apart</source>
        <translation>Wie weit zwei Zustände auseinanderliegen</translation>
    </message>
    <message>
        <source>How it works</source>
        <translation>So geht es</translation>
    </message>
    <message>
        <source>How joints are rotated at rest: along their bones, or all along the axes of the world</source>
        <translation>Wie Gelenke in der Ruhe gedreht sind: entlang ihrer Knochen, oder alle wie die Achsen der Welt</translation>
    </message>
    <message>
        <source>How long it is to last</source>
        <translation>Wie lange er dauern soll</translation>
    </message>
    <message>
        <source>How many</source>
        <translation>Wie viele</translation>
    </message>
    <message>
        <source>How many frames lead into the first pose</source>
        <translation>Wie viele Bilder in die erste Pose führen</translation>
    </message>
    <message>
        <source>How much is kept in the log: off, warning, info or debug.</source>
        <translation>Wie viel im Protokoll festgehalten wird: off, warning, info oder debug.</translation>
    </message>
    <message>
        <source>How much of it counts</source>
        <translation>Wie viel davon zählt</translation>
    </message>
    <message>
        <source>How much of it goes</source>
        <translation>Wie viel davon geht</translation>
    </message>
    <message>
        <source>How much of the layer counts</source>
        <translation>Wie viel von der Ebene zählt</translation>
    </message>
    <message>
        <source>How much one dab does in its middle</source>
        <translation>Wie viel ein Tupfer in seiner Mitte tut</translation>
    </message>
    <message>
        <source>How often</source>
        <translation>Wie oft</translation>
    </message>
    <message>
        <source>How tall it is to stand; 0: not known</source>
        <translation>Wie groß es stehen soll; 0: nicht bekannt</translation>
    </message>
    <message>
        <source>How tall the character is to be</source>
        <translation>Wie groß die Figur werden soll</translation>
    </message>
    <message>
        <source>How the brush lets go towards its edge</source>
        <translation>Wie der Pinsel zum Rand hin nachlässt</translation>
    </message>
    <message>
        <source>How the curve goes through the chosen keys. A tangent that is dragged is free</source>
        <translation>Wie die Kurve durch die gewählten Schlüssel geht. Eine gezogene Tangente ist frei</translation>
    </message>
    <message>
        <source>How the rows are grouped</source>
        <translation>Wie die Zeilen gruppiert sind</translation>
    </message>
    <message>
        <source>How they are called</source>
        <translation>Wie sie heißen</translation>
    </message>
    <message>
        <source>How vertices are found again on another version of the surface; best: where they were, else by their order, else by place</source>
        <translation>Wie Punkte auf einer anderen Fassung der Oberfläche wiedergefunden werden; best: wo sie waren, sonst nach ihrer Reihenfolge, sonst nach dem Ort</translation>
    </message>
    <message>
        <source>How wide the edge between the sides is; 0: sharp</source>
        <translation>Wie breit die Kante zwischen den Seiten ist; 0: scharf</translation>
    </message>
    <message>
        <source>Hull</source>
        <translation>Hülle</translation>
    </message>
    <message>
        <source>Hulls</source>
        <translation>Hüllen</translation>
    </message>
    <message>
        <source>Image quality</source>
        <translation>Bildqualität</translation>
    </message>
    <message>
        <source>Images</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Images (*.png *.jpg *.jpeg)</source>
        <translation>Bilder (*.png *.jpg *.jpeg)</translation>
    </message>
    <message>
        <source>Images (*.png)</source>
        <translation>Bilder (*.png)</translation>
    </message>
    <message>
        <source>Images with a longer side are made smaller, and the ledger says so. Empty: any size.</source>
        <translation>Bilder mit einer längeren Seite werden verkleinert, und die Verlustliste sagt es. Leer: jede Größe.</translation>
    </message>
    <message>
        <source>Images, metalness and roughness under one light, instead of clay</source>
        <translation>Bilder, Metall und Rauheit unter einem Licht, statt Ton</translation>
    </message>
    <message>
        <source>Import %1</source>
        <translation>%1 einlesen</translation>
    </message>
    <message>
        <source>Import a &amp;folder…</source>
        <translation>&amp;Ordner einlesen …</translation>
    </message>
    <message>
        <source>Import a folder</source>
        <translation>Einen Ordner einlesen</translation>
    </message>
    <message>
        <source>Import a folder of takes…</source>
        <translation>Einen Ordner mit Aufnahmen einlesen …</translation>
    </message>
    <message>
        <source>Import files</source>
        <translation>Dateien einlesen</translation>
    </message>
    <message>
        <source>Import files…</source>
        <translation>Dateien einlesen …</translation>
    </message>
    <message>
        <source>In the contract it is</source>
        <translation>Im Vertrag ist es</translation>
    </message>
    <message>
        <source>In the take</source>
        <translation>In der Aufnahme</translation>
    </message>
    <message>
        <source>In the view</source>
        <translation>In der Ansicht</translation>
    </message>
    <message>
        <source>Inches read as metres</source>
        <translation>Zoll als Meter gelesen</translation>
    </message>
    <message>
        <source>Influences</source>
        <translation>Einflüsse</translation>
    </message>
    <message>
        <source>Influences kept</source>
        <translation>Behaltene Einflüsse</translation>
    </message>
    <message>
        <source>Influences per vertex</source>
        <translation>Einflüsse je Punkt</translation>
    </message>
    <message>
        <source>Influences per vertex, at most</source>
        <translation>Einflüsse je Punkt, höchstens</translation>
    </message>
    <message>
        <source>Influences per vertex. More are cut, and the loss is measured.</source>
        <translation>Einflüsse je Punkt. Weitere werden abgeschnitten, und der Verlust wird gemessen.</translation>
    </message>
    <message>
        <source>Insert a joint</source>
        <translation>Gelenk einfügen</translation>
    </message>
    <message>
        <source>Insert a joint above it…</source>
        <translation>Ein Gelenk darüber einfügen …</translation>
    </message>
    <message>
        <source>Insert a key</source>
        <translation>Einen Schlüssel einfügen</translation>
    </message>
    <message>
        <source>Instead of centres: strands whose roots lie on one colour of it gather at one</source>
        <translation>Statt Mitten: Strähnen, deren Wurzeln auf einer Farbe davon liegen, sammeln sich an einer</translation>
    </message>
    <message>
        <source>Instead, so many times as far</source>
        <translation>Statt dessen so vielmal so weit</translation>
    </message>
    <message>
        <source>Instead: so many on each square centimetre; 0: by count</source>
        <translation>Statt dessen so viele auf jedem Quadratzentimeter; 0: nach Anzahl</translation>
    </message>
    <message>
        <source>Intake</source>
        <translation>Eingang</translation>
    </message>
    <message>
        <source>Into</source>
        <translation>Nach</translation>
    </message>
    <message>
        <source>Inverse binds</source>
        <translation>Inverse Bindungen</translation>
    </message>
    <message>
        <source>Inverse binds stay as they are and motion is exact, or surfaces are bound anew in that pose and the drift says what that moves</source>
        <translation>Inverse Bindungen bleiben und Bewegung ist genau, oder Oberflächen werden in dieser Pose neu gebunden und die Drift sagt, was das bewegt</translation>
    </message>
    <message>
        <source>Is altered</source>
        <translation>Wird geändert</translation>
    </message>
    <message>
        <source>Is it an OBJ?</source>
        <translation>Ist es eine OBJ?</translation>
    </message>
    <message>
        <source>Is it being written?</source>
        <translation>Wird sie gerade geschrieben?</translation>
    </message>
    <message>
        <source>Islands of weight that lie far from where their joint holds the surface</source>
        <translation>Inseln von Gewicht, die fern von dort liegen, wo ihr Gelenk die Oberfläche hält</translation>
    </message>
    <message>
        <source>It becomes a shape of that surface by a step, or a corrective where it was sculpted on a pose.</source>
        <translation>Durch einen Schritt wird es eine Form dieser Oberfläche, oder eine Korrekturform, wo es an einer Pose modelliert wurde.</translation>
    </message>
    <message>
        <source>It complained of nothing.</source>
        <translation>Er hat sich über nichts beklagt.</translation>
    </message>
    <message>
        <source>It ends at the frame that closes best, its last frames lead into the first pose, or the first pose is added as one frame more</source>
        <translation>Er endet an dem Bild, das am besten schließt, seine letzten Bilder führen in die erste Pose, oder die erste Pose kommt als ein Bild mehr dazu</translation>
    </message>
    <message>
        <source>It goes out as it is, with a note of yours on the card</source>
        <translation>Es geht hinaus, wie es ist, mit einer Bemerkung von Ihnen auf der Karte</translation>
    </message>
    <message>
        <source>It goes out as it is. The note stands on the route card and on every delivery. When the finding says something else, it stops again.</source>
        <translation>Es geht hinaus, wie es ist. Die Bemerkung steht auf der Laufkarte und bei jeder Lieferung. Sagt der Befund etwas anderes, hält er wieder an.</translation>
    </message>
    <message>
        <source>It has {} vertices and not {}.</source>
        <translation>Es hat {} Punkte und nicht {}.</translation>
    </message>
    <message>
        <source>It is</source>
        <translation>Es ist</translation>
    </message>
    <message>
        <source>It is delivered as a clip that does not repeat</source>
        <translation>Er wird als Clip ausgeliefert, der sich nicht wiederholt</translation>
    </message>
    <message>
        <source>It is no USD text.</source>
        <translation>Es ist kein USD-Text.</translation>
    </message>
    <message>
        <source>It is not cut: it goes out whole</source>
        <translation>Nicht geschnitten: er geht ganz hinaus</translation>
    </message>
    <message>
        <source>It is set down at frame {} and lifted after frame {}.</source>
        <translation>Es setzt bei Bild {} auf und hebt nach Bild {} ab.</translation>
    </message>
    <message>
        <source>It lasts {:.4f} s, {:.2f} frames at {:g} per second.</source>
        <translation>Er dauert {:.4f} s, {:.2f} Bilder bei {:g} in der Sekunde.</translation>
    </message>
    <message>
        <source>It lies in the folder beside the job, which is called as the job with .data behind it.</source>
        <translation>Es liegt im Ordner neben dem Auftrag, der wie der Auftrag mit .data dahinter heißt.</translation>
    </message>
    <message>
        <source>It lies in the folder beside the job; choose the file again.</source>
        <translation>Es liegt im Ordner neben dem Auftrag; wählen Sie die Datei noch einmal.</translation>
    </message>
    <message>
        <source>It looks along</source>
        <translation>Sie schaut entlang</translation>
    </message>
    <message>
        <source>It repeats</source>
        <translation>Er wiederholt sich</translation>
    </message>
    <message>
        <source>It stands</source>
        <translation>Sie steht</translation>
    </message>
    <message>
        <source>It stands {:.3g} m tall; by the bones of that take it would be {:.3g} m.</source>
        <translation>Es ist {:.3g} m groß; nach den Knochen jener Aufnahme wären es {:.3g} m.</translation>
    </message>
    <message>
        <source>It stands {} tall, and is said to be {} {}</source>
        <translation>Sie ist {} groß, und gesagt ist: {} {}</translation>
    </message>
    <message>
        <source>It stands {} tall, {}</source>
        <translation>Sie ist {} groß, {}</translation>
    </message>
    <message>
        <source>It stands {} tall; nobody said how tall it should be</source>
        <translation>Sie ist {} groß; niemand hat gesagt, wie groß sie sein soll</translation>
    </message>
    <message>
        <source>It was said which of the two holds.</source>
        <translation>Es wurde gesagt, welche der beiden gilt.</translation>
    </message>
    <message>
        <source>Item</source>
        <translation>Posten</translation>
    </message>
    <message>
        <source>Its angle at the corner, or its area</source>
        <translation>Ihrem Winkel an der Ecke, oder ihrer Größe</translation>
    </message>
    <message>
        <source>Its destination has to ask for thumbnails</source>
        <translation>Sein Ziel muss Vorschaubilder verlangen</translation>
    </message>
    <message>
        <source>Its first key lies there; what comes before holds still and is delivered all the same.</source>
        <translation>Sein erster Schlüssel liegt dort; was davor kommt, steht still und wird dennoch ausgeliefert.</translation>
    </message>
    <message>
        <source>Its first line names the columns: name,start,end,loop,colour,note; or from_s,to_s for seconds.</source>
        <translation>Die erste Zeile nennt die Spalten: name,start,end,loop,colour,note; oder from_s,to_s für Sekunden.</translation>
    </message>
    <message>
        <source>Its first line names the columns: name,start,end.</source>
        <translation>Die erste Zeile nennt die Spalten: name,start,end.</translation>
    </message>
    <message>
        <source>Its id, as `inspect --json` has it</source>
        <translation>Seine Kennung, wie `inspect --json` sie hat</translation>
    </message>
    <message>
        <source>Its last frames lead into its first pose; how many can be said</source>
        <translation>Seine letzten Bilder führen in seine erste Pose; wie viele, lässt sich sagen</translation>
    </message>
    <message>
        <source>Its last one is {}.</source>
        <translation>Das letzte ist {}.</translation>
    </message>
    <message>
        <source>Its last pose is {:.0f} mm ({}) and {:.0f}° ({}) from its first.</source>
        <translation>Seine letzte Pose ist {:.0f} mm ({}) und {:.0f}° ({}) von seiner ersten.</translation>
    </message>
    <message>
        <source>Its motion is lost unless it is put onto the joints that are here.</source>
        <translation>Ihre Bewegung ist verloren, wenn sie nicht auf die Gelenke hier gebracht wird.</translation>
    </message>
    <message>
        <source>Its own is</source>
        <translation>Der eigene ist</translation>
    </message>
    <message>
        <source>Its own, as set below</source>
        <translation>Eigene, wie unten gesetzt</translation>
    </message>
    <message>
        <source>Its own: the rest of the model follows</source>
        <translation>Die eigene: der Rest des Modells folgt</translation>
    </message>
    <message>
        <source>Its second axis</source>
        <translation>Seine zweite Achse</translation>
    </message>
    <message>
        <source>Its steps do not fit: see the route card.</source>
        <translation>Ihre Schritte passen nicht: siehe die Laufkarte.</translation>
    </message>
    <message>
        <source>Its surface</source>
        <translation>Ihre Oberfläche</translation>
    </message>
    <message>
        <source>Its textures stay behind</source>
        <translation>Seine Texturen bleiben zurück</translation>
    </message>
    <message>
        <source>Its weight at the playhead; typing keys it there</source>
        <translation>Ihr Gewicht am Abspielkopf; Tippen setzt dort einen Schlüssel</translation>
    </message>
    <message>
        <source>JOINTS_{} is not as long as POSITION.</source>
        <translation>JOINTS_{} ist nicht so lang wie POSITION.</translation>
    </message>
    <message>
        <source>JPEG</source>
        <translation>JPEG</translation>
    </message>
    <message>
        <source>Job</source>
        <translation>Auftrag</translation>
    </message>
    <message>
        <source>Jobs (*.wembrix)</source>
        <translation>Aufträge (*.wembrix)</translation>
    </message>
    <message>
        <source>Jobs that you open or save stand here</source>
        <translation>Aufträge, die Sie öffnen oder speichern, stehen hier</translation>
    </message>
    <message>
        <source>Jobs whose deliveries go in, too</source>
        <translation>Aufträge, deren Lieferungen auch hineinkommen</translation>
    </message>
    <message>
        <source>Join clips</source>
        <translation>Clips verbinden</translation>
    </message>
    <message>
        <source>Join it with surfaces that stand still, or leave it apart.</source>
        <translation>Verbinden Sie sie mit Oberflächen, die stillstehen, oder lassen Sie sie für sich.</translation>
    </message>
    <message>
        <source>Join shapes</source>
        <translation>Formen verbinden</translation>
    </message>
    <message>
        <source>Join tangents</source>
        <translation>Tangenten verbinden</translation>
    </message>
    <message>
        <source>Joint</source>
        <translation>Gelenk</translation>
    </message>
    <message>
        <source>Joint %1</source>
        <translation>Gelenk %1</translation>
    </message>
    <message>
        <source>Joint ladder: received joints and what became of them</source>
        <translation>Gelenkleiter: empfangene Gelenke und was aus ihnen wurde</translation>
    </message>
    <message>
        <source>Joint names</source>
        <translation>Gelenknamen</translation>
    </message>
    <message>
        <source>Joint scales</source>
        <translation>Gelenkskalierungen</translation>
    </message>
    <message>
        <source>Joints</source>
        <translation>Gelenke</translation>
    </message>
    <message>
        <source>Joints also come to vertices that they did not hold before</source>
        <translation>Gelenke kommen auch an Punkte, die sie vorher nicht hielten</translation>
    </message>
    <message>
        <source>Joints and the joint below that each points at, else the one with the largest branch. The end of a chain points on</source>
        <translation>Gelenke und das Gelenk darunter, auf das jedes zeigt, sonst das mit dem größten Zweig. Das Ende einer Kette zeigt weiter</translation>
    </message>
    <message>
        <source>Joints and the one each is to hang on (none: nothing). Each keeps its position in every frame</source>
        <translation>Gelenke und das, woran jedes hängen soll (keines: nichts). Jedes behält seinen Ort in jedem Bild</translation>
    </message>
    <message>
        <source>Joints and what the contract calls them; the others are matched by name</source>
        <translation>Gelenke und wie der Vertrag sie nennt; die anderen werden nach Namen zugeordnet</translation>
    </message>
    <message>
        <source>Joints are called what the project calls them, by rules that fit the next version too.</source>
        <translation>Gelenke heißen, wie das Projekt sie nennt, nach Regeln, die auch für die nächste Fassung gelten.</translation>
    </message>
    <message>
        <source>Joints in order</source>
        <translation>Gelenke in Reihenfolge</translation>
    </message>
    <message>
        <source>Joints keyed by hand, on top of a take or instead of it</source>
        <translation>Gelenke von Hand gesetzt, auf einer Aufnahme oder an ihrer Stelle</translation>
    </message>
    <message>
        <source>Joints that a clip leaves alone: keyed all the same, or left out of its file.</source>
        <translation>Gelenke, die ein Clip in Ruhe lässt: dennoch mit Schlüsseln, oder aus seiner Datei weggelassen.</translation>
    </message>
    <message>
        <source>Joints that are to hang on it</source>
        <translation>Gelenke, die daran hängen sollen</translation>
    </message>
    <message>
        <source>Joints whose weights stay exactly as they are</source>
        <translation>Gelenke, deren Gewichte genau bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>Joints with `translation_m`, `rotation_xyzw` and `scale`</source>
        <translation>Gelenke mit `translation_m`, `rotation_xyzw` und `scale`</translation>
    </message>
    <message>
        <source>Joints, in order</source>
        <translation>Gelenke, in Reihenfolge</translation>
    </message>
    <message>
        <source>Joints, keys with their tangents, surfaces, shapes and binds at once</source>
        <translation>Gelenke, Schlüssel mit ihren Tangenten, Oberflächen, Formen und Bindungen zugleich</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Keep %1</source>
        <translation>%1 behalten</translation>
    </message>
    <message>
        <source>Keep all for the &amp;team…</source>
        <translation>Alle für das &amp;Team aufheben …</translation>
    </message>
    <message>
        <source>Keep as a preset</source>
        <translation>Als Vorlage aufheben</translation>
    </message>
    <message>
        <source>Keep as a preset…</source>
        <translation>Als Vorlage aufheben …</translation>
    </message>
    <message>
        <source>Keep directions</source>
        <translation>Richtungen behalten</translation>
    </message>
    <message>
        <source>Keep weights</source>
        <translation>Gewichte behalten</translation>
    </message>
    <message>
        <source>Keeps these pairs in a file, for the next takes</source>
        <translation>Hebt diese Paare in einer Datei auf, für die nächsten Aufnahmen</translation>
    </message>
    <message>
        <source>Kept as revision %1</source>
        <translation>Als Fassung %1 aufgehoben</translation>
    </message>
    <message>
        <source>Kept in your library</source>
        <translation>Steht in Ihrer Bibliothek</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Key %1 at frame %2</source>
        <translation>Schlüssel für %1 bei Bild %2</translation>
    </message>
    <message>
        <source>Key a pose at frame %1</source>
        <translation>Eine Pose bei Bild %1 setzen</translation>
    </message>
    <message>
        <source>Key at frame %1</source>
        <translation>Schlüssel bei Bild %1</translation>
    </message>
    <message>
        <source>Key by hand</source>
        <translation>Von Hand setzen</translation>
    </message>
    <message>
        <source>Key it</source>
        <translation>Mit Schlüsseln</translation>
    </message>
    <message>
        <source>Key of %1%2, frame %3, %4%5</source>
        <translation>Schlüssel von %1%2, Bild %3, %4%5</translation>
    </message>
    <message>
        <source>Key pose</source>
        <translation>Pose setzen</translation>
    </message>
    <message>
        <source>Key what I touch</source>
        <translation>Sofort setzen</translation>
    </message>
    <message>
        <source>Keyed in</source>
        <translation>Schlüssel in</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Schlüssel</translation>
    </message>
    <message>
        <source>Keys go as long as no vertex moves farther, measured at two moments per frame</source>
        <translation>Schlüssel gehen, solange sich kein Punkt weiter bewegt, gemessen an zwei Momenten je Bild</translation>
    </message>
    <message>
        <source>Keys it at the playhead</source>
        <translation>Setzt sie am Abspielkopf</translation>
    </message>
    <message>
        <source>Keys of clips</source>
        <translation>Schlüssel der Clips</translation>
    </message>
    <message>
        <source>Keys of what is chosen, over the clip</source>
        <translation>Schlüssel des Gewählten, über den Clip</translation>
    </message>
    <message>
        <source>Keys over the clip that is shown, on top of its motion</source>
        <translation>Schlüssel über dem gezeigten Clip, auf seiner Bewegung</translation>
    </message>
    <message>
        <source>Keys what was dragged; else the chosen joints as they stand at the playhead</source>
        <translation>Setzt, was gezogen wurde; sonst die gewählten Gelenke, wie sie am Abspielkopf stehen</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Kind of images</source>
        <translation>Art der Bilder</translation>
    </message>
    <message>
        <source>Kinds</source>
        <translation>Arten</translation>
    </message>
    <message>
        <source>Ladder</source>
        <translation>Leiter</translation>
    </message>
    <message>
        <source>Lantern web view</source>
        <translation>Lantern web view</translation>
    </message>
    <message>
        <source>Largest %1 mm at %2, frame %3 · %4 compared at every frame, read back from %5.</source>
        <translation>Größte: %1 mm bei %2, Bild %3 · %4 an jedem Bild verglichen, zurückgelesen aus %5.</translation>
    </message>
    <message>
        <source>Largest image (px)</source>
        <translation>Größtes Bild (px)</translation>
    </message>
    <message>
        <source>Last frame</source>
        <translation>Letztes Bild</translation>
    </message>
    <message>
        <source>Last frame of a loop</source>
        <translation>Letztes Bild einer Schleife</translation>
    </message>
    <message>
        <source>Last frame of it</source>
        <translation>Sein letztes Bild</translation>
    </message>
    <message>
        <source>Last frame of the take, counted too</source>
        <translation>Letztes Bild der Aufnahme, mitgezählt</translation>
    </message>
    <message>
        <source>Last pose from first: %1 mm at %2, %3° at %4, speed changes by %5 m/s</source>
        <translation>Letzte Pose von der ersten: %1 mm bei %2, %3° bei %4, die Geschwindigkeit ändert sich um %5 m/s</translation>
    </message>
    <message>
        <source>Layer</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>Layer span</source>
        <translation>Spanne der Ebene</translation>
    </message>
    <message>
        <source>Layer weight</source>
        <translation>Gewicht der Ebene</translation>
    </message>
    <message>
        <source>Lea&amp;ve it</source>
        <translation>&amp;Verlassen</translation>
    </message>
    <message>
        <source>Lean</source>
        <translation>Neigung</translation>
    </message>
    <message>
        <source>Leave %1 behind</source>
        <translation>%1 zurücklassen</translation>
    </message>
    <message>
        <source>Leave behind</source>
        <translation>Zurücklassen</translation>
    </message>
    <message>
        <source>Leave behind…</source>
        <translation>Zurücklassen …</translation>
    </message>
    <message>
        <source>Leave it apart.</source>
        <translation>Lassen Sie sie für sich.</translation>
    </message>
    <message>
        <source>Leave it behind first: “Leave behind” with its root.</source>
        <translation>Lassen Sie es zuerst zurück: „Zurücklassen“ mit seiner Wurzel.</translation>
    </message>
    <message>
        <source>Leave it out of this step.</source>
        <translation>Lassen Sie sie aus diesem Schritt heraus.</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Leave that attribute out of one of the sources.</source>
        <translation>Lassen Sie dieses Attribut aus einer der Quellen weg.</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Left ending</source>
        <translation>Linke Endung</translation>
    </message>
    <message>
        <source>Legs are {:.3g} m {} than in “{}”</source>
        <translation>Beine sind {:.3g} m {} als in „{}“</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Length of guides</source>
        <translation>Länge von Leitkurven</translation>
    </message>
    <message>
        <source>Length of one wave</source>
        <translation>Länge einer Welle</translation>
    </message>
    <message>
        <source>Length of the chosen</source>
        <translation>Länge der gewählten</translation>
    </message>
    <message>
        <source>Length varies</source>
        <translation>Länge schwankt</translation>
    </message>
    <message>
        <source>Lets go of all sliders: shapes move as the clip has them</source>
        <translation>Lässt alle Regler los: Formen bewegen sich, wie der Clip sie hat</translation>
    </message>
    <message>
        <source>Letters</source>
        <translation>Buchstaben</translation>
    </message>
    <message>
        <source>License</source>
        <translation>Lizenz</translation>
    </message>
    <message>
        <source>Lift</source>
        <translation>Anheben</translation>
    </message>
    <message>
        <source>Lift strands</source>
        <translation>Strähnen anheben</translation>
    </message>
    <message>
        <source>Light</source>
        <translation>Hell</translation>
    </message>
    <message>
        <source>Lights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>Lights, cameras, floors and helpers served their maker; an engine has its own.</source>
        <translation>Lichter, Kameras, Böden und Helfer dienten dem, der es machte; eine Engine hat eigene.</translation>
    </message>
    <message>
        <source>Limit influences</source>
        <translation>Einflüsse begrenzen</translation>
    </message>
    <message>
        <source>Limits</source>
        <translation>Grenzen</translation>
    </message>
    <message>
        <source>Limit…</source>
        <translation>Grenze …</translation>
    </message>
    <message>
        <source>Lines from strands</source>
        <translation>Linien aus Strähnen</translation>
    </message>
    <message>
        <source>Lines on the surface that nothing is taken across</source>
        <translation>Linien auf der Oberfläche, über die nichts genommen wird</translation>
    </message>
    <message>
        <source>Lines…</source>
        <translation>Linien …</translation>
    </message>
    <message>
        <source>List</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>Listener and file</source>
        <translation>Zuhörer und Datei</translation>
    </message>
    <message>
        <source>Listeners cannot find it by themselves: %1 cannot be written.</source>
        <translation>Zuhörer finden ihn nicht von selbst: %1 lässt sich nicht schreiben.</translation>
    </message>
    <message>
        <source>Lists (*.csv *.json)</source>
        <translation>Listen (*.csv *.json)</translation>
    </message>
    <message>
        <source>Litres</source>
        <translation>Liter</translation>
    </message>
    <message>
        <source>Live hand-over</source>
        <translation>Live-Übergabe</translation>
    </message>
    <message>
        <source>Live: %1…</source>
        <translation>Live: %1 …</translation>
    </message>
    <message>
        <source>Live…</source>
        <translation>Live …</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation>Sperren</translation>
    </message>
    <message>
        <source>Locked joints</source>
        <translation>Gesperrte Gelenke</translation>
    </message>
    <message>
        <source>Log</source>
        <translation>Protokoll</translation>
    </message>
    <message>
        <source>Longer by</source>
        <translation>Länger um</translation>
    </message>
    <message>
        <source>Longest name</source>
        <translation>Längster Name</translation>
    </message>
    <message>
        <source>Longest path</source>
        <translation>Längster Pfad</translation>
    </message>
    <message>
        <source>Look for missing files in</source>
        <translation>Fehlende Dateien suchen in</translation>
    </message>
    <message>
        <source>Look-ahead, look-behind and references back are not known.</source>
        <translation>Vorausschau, Rückschau und Rückverweise sind nicht bekannt.</translation>
    </message>
    <message>
        <source>Looking…</source>
        <translation>Wird nachgesehen …</translation>
    </message>
    <message>
        <source>Looks along</source>
        <translation>Schaut entlang</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Schleife</translation>
    </message>
    <message>
        <source>Machine</source>
        <translation>Rechner</translation>
    </message>
    <message>
        <source>Made by hand on this job's surfaces, and not copied: %1.</source>
        <translation>Von Hand auf den Oberflächen dieses Auftrags gemacht und nicht kopiert: %1.</translation>
    </message>
    <message>
        <source>Made by the step “%1”</source>
        <translation>Entstanden durch den Schritt „%1“</translation>
    </message>
    <message>
        <source>Make %1 the rest pose</source>
        <translation>%1 zur Ruhepose machen</translation>
    </message>
    <message>
        <source>Make a region for it, or root it on a surface.</source>
        <translation>Machen Sie einen Bereich dafür, oder verwurzeln Sie es auf einer Oberfläche.</translation>
    </message>
    <message>
        <source>Make a region for them first, or bring some in.</source>
        <translation>Machen Sie zuerst einen Bereich für sie, oder lesen Sie welche ein.</translation>
    </message>
    <message>
        <source>Make a region for them first.</source>
        <translation>Machen Sie zuerst einen Bereich für sie.</translation>
    </message>
    <message>
        <source>Make a root above it first: that one can take its trajectory.</source>
        <translation>Legen Sie zuerst eine Wurzel darüber an: sie kann seinen Weg nehmen.</translation>
    </message>
    <message>
        <source>Make additive</source>
        <translation>Additiv machen</translation>
    </message>
    <message>
        <source>Make collision hulls</source>
        <translation>Kollisionshüllen machen</translation>
    </message>
    <message>
        <source>Make hulls…</source>
        <translation>Hüllen machen …</translation>
    </message>
    <message>
        <source>Make it %1 m tall</source>
        <translation>%1 m groß machen</translation>
    </message>
    <message>
        <source>Make one root first.</source>
        <translation>Legen Sie zuerst eine Wurzel an.</translation>
    </message>
    <message>
        <source>Make room, or choose another folder.</source>
        <translation>Schaffen Sie Platz, oder wählen Sie einen anderen Ordner.</translation>
    </message>
    <message>
        <source>Make root</source>
        <translation>Wurzel anlegen</translation>
    </message>
    <message>
        <source>Make the package</source>
        <translation>Das Paket machen</translation>
    </message>
    <message>
        <source>Makes what has changed anew, checks it, and hands it to all listeners</source>
        <translation>Macht neu, was sich geändert hat, prüft es und übergibt es allen Zuhörern</translation>
    </message>
    <message>
        <source>Making files…</source>
        <translation>Dateien werden gemacht …</translation>
    </message>
    <message>
        <source>Making the demo job…</source>
        <translation>Der Beispielauftrag wird angelegt …</translation>
    </message>
    <message>
        <source>Map</source>
        <translation>Zuordnung</translation>
    </message>
    <message>
        <source>Map %1</source>
        <translation>%1 zuordnen</translation>
    </message>
    <message>
        <source>Map of clumps</source>
        <translation>Karte der Bündel</translation>
    </message>
    <message>
        <source>Maps (*.map.json *.json)</source>
        <translation>Zuordnungen (*.map.json *.json)</translation>
    </message>
    <message>
        <source>Maps (*.map.json)</source>
        <translation>Zuordnungen (*.map.json)</translation>
    </message>
    <message>
        <source>Match %1 joints with the contract</source>
        <translation>%1 Gelenke mit dem Vertrag abgleichen</translation>
    </message>
    <message>
        <source>Match the one that has the name already, or rename it first.</source>
        <translation>Ordnen Sie das zu, das den Namen schon hat, oder benennen Sie es zuerst um.</translation>
    </message>
    <message>
        <source>Matches</source>
        <translation>Zuordnung</translation>
    </message>
    <message>
        <source>Material</source>
        <translation>Material</translation>
    </message>
    <message>
        <source>Material names</source>
        <translation>Materialnamen</translation>
    </message>
    <message>
        <source>Material set</source>
        <translation>Materialsatz</translation>
    </message>
    <message>
        <source>Material slots</source>
        <translation>Materialslots</translation>
    </message>
    <message>
        <source>Materials</source>
        <translation>Materialien</translation>
    </message>
    <message>
        <source>Materials are assigned by the name of the slot; rules give it the one that the engine project has.</source>
        <translation>Materialien werden nach dem Namen des Slots gegeben; Regeln geben ihm den, den das Engine-Projekt hat.</translation>
    </message>
    <message>
        <source>Materials in the order their slots are to have; others follow as they stood</source>
        <translation>Materialien in der Reihenfolge, die ihre Slots haben sollen; andere folgen, wie sie standen</translation>
    </message>
    <message>
        <source>Max influences</source>
        <translation>Höchstens Einflüsse</translation>
    </message>
    <message>
        <source>Max shapes</source>
        <translation>Höchstens Formen</translation>
    </message>
    <message>
        <source>Measuring how much moves at each frame…</source>
        <translation>Es wird gemessen, wie viel sich an jedem Bild bewegt …</translation>
    </message>
    <message>
        <source>Measuring over %1…</source>
        <translation>Wird über %1 gemessen …</translation>
    </message>
    <message>
        <source>Measuring the drift of each step</source>
        <translation>Die Drift jedes Schrittes wird gemessen</translation>
    </message>
    <message>
        <source>Measuring what removing would move…</source>
        <translation>Es wird gemessen, was das Entfernen bewegen würde …</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Wird gemessen …</translation>
    </message>
    <message>
        <source>Mend what is wrong</source>
        <translation>Beheben, was nicht stimmt</translation>
    </message>
    <message>
        <source>Mended by the route card</source>
        <translation>Von der Laufkarte behoben</translation>
    </message>
    <message>
        <source>Merge material slots</source>
        <translation>Materialslots zusammenlegen</translation>
    </message>
    <message>
        <source>Merge surfaces</source>
        <translation>Oberflächen verbinden</translation>
    </message>
    <message>
        <source>Message</source>
        <translation>Meldung</translation>
    </message>
    <message>
        <source>Metalness</source>
        <translation>Metall</translation>
    </message>
    <message>
        <source>Metalness, roughness image</source>
        <translation>Bild von Metall, Rauheit</translation>
    </message>
    <message>
        <source>Metres in one of its units: 0.01 for centimetres. Sizes are said in it; a .glb itself is always in metres.</source>
        <translation>Meter in einer ihrer Einheiten: 0,01 für Zentimeter. Größen werden darin genannt; eine .glb selbst ist immer in Metern.</translation>
    </message>
    <message>
        <source>Metres in one unit of what the engine makes of a file: 1 where it takes the file's numbers as they are. Empty: the unit above.</source>
        <translation>Meter in einer Einheit dessen, was die Engine aus einer Datei macht: 1, wo sie die Zahlen der Datei nimmt, wie sie sind. Leer: die Einheit oben.</translation>
    </message>
    <message>
        <source>Metres read as centimetres</source>
        <translation>Meter als Zentimeter gelesen</translation>
    </message>
    <message>
        <source>Metres read as millimetres</source>
        <translation>Meter als Millimeter gelesen</translation>
    </message>
    <message>
        <source>Middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>Millimetres read as metres</source>
        <translation>Millimeter als Meter gelesen</translation>
    </message>
    <message>
        <source>Mirror</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Mirror at X</source>
        <translation>Spiegeln bei X</translation>
    </message>
    <message>
        <source>Mirror clips</source>
        <translation>Clips spiegeln</translation>
    </message>
    <message>
        <source>Mirror guides</source>
        <translation>Leitkurven spiegeln</translation>
    </message>
    <message>
        <source>Mirror shapes</source>
        <translation>Formen spiegeln</translation>
    </message>
    <message>
        <source>Mirror to the other side…</source>
        <translation>Auf die andere Seite spiegeln …</translation>
    </message>
    <message>
        <source>Mirror weights</source>
        <translation>Gewichte spiegeln</translation>
    </message>
    <message>
        <source>Mirrored</source>
        <translation>Gespiegelt</translation>
    </message>
    <message>
        <source>Mirror…</source>
        <translation>Spiegeln …</translation>
    </message>
    <message>
        <source>Missing or broken normals make a surface look faceted, black or inside out in the engine.</source>
        <translation>Fehlende oder fehlerhafte Normalen lassen eine Oberfläche in der Engine kantig, schwarz oder umgestülpt aussehen.</translation>
    </message>
    <message>
        <source>Mode</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Model</source>
        <translation>Modell</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>More are cut; those that stay sum to 1 again</source>
        <translation>Weitere werden abgeschnitten; die bleiben, ergeben wieder 1</translation>
    </message>
    <message>
        <source>Motion of another body moves this one: bones point where that one's do, feet stay where they stand, and no bone gets another length.</source>
        <translation>Die Bewegung eines anderen Körpers bewegt diesen: Knochen zeigen, wohin seine zeigen, Füße bleiben, wo sie stehen, und kein Knochen bekommt eine andere Länge.</translation>
    </message>
    <message>
        <source>Motion of nodes</source>
        <translation>Bewegung der Knoten</translation>
    </message>
    <message>
        <source>Motion root</source>
        <translation>Bewegungswurzel</translation>
    </message>
    <message>
        <source>Move %1</source>
        <translation>%1 verschieben</translation>
    </message>
    <message>
        <source>Move %1 at frame %2</source>
        <translation>%1 bei Bild %2 bewegen</translation>
    </message>
    <message>
        <source>Move along X</source>
        <translation>Verschieben entlang X</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Nach unten</translation>
    </message>
    <message>
        <source>Move end of %1</source>
        <translation>Ende von %1 verschieben</translation>
    </message>
    <message>
        <source>Move faces to a slot</source>
        <translation>Flächen in einen Slot legen</translation>
    </message>
    <message>
        <source>Move guide %1</source>
        <translation>Leitpunkt %1 bewegen</translation>
    </message>
    <message>
        <source>Move it elsewhere.</source>
        <translation>Legen Sie es anderswohin.</translation>
    </message>
    <message>
        <source>Move its guides apart.</source>
        <translation>Rücken Sie seine Leitpunkte auseinander.</translation>
    </message>
    <message>
        <source>Move keys</source>
        <translation>Schlüssel bewegen</translation>
    </message>
    <message>
        <source>Move onto the surface</source>
        <translation>Auf die Oberfläche rücken</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Nach oben</translation>
    </message>
    <message>
        <source>Moves at most</source>
        <translation>Bewegt höchstens</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Name a joint in "to", or keep this one.</source>
        <translation>Nennen Sie ein Gelenk in „to“, oder behalten Sie dieses.</translation>
    </message>
    <message>
        <source>Name another clip in its step, or take the step off the card.</source>
        <translation>Nennen Sie in seinem Schritt einen anderen Clip, oder nehmen Sie den Schritt von der Karte.</translation>
    </message>
    <message>
        <source>Name another folder, or take that one away when it is done.</source>
        <translation>Nennen Sie einen anderen Ordner, oder nehmen Sie jenen weg, wenn er fertig ist.</translation>
    </message>
    <message>
        <source>Name clip %1</source>
        <translation>Clip %1 benennen</translation>
    </message>
    <message>
        <source>Name family and variant</source>
        <translation>Familie und Variante benennen</translation>
    </message>
    <message>
        <source>Name it after the other side</source>
        <translation>Nach der anderen Seite benennen</translation>
    </message>
    <message>
        <source>Name its surface.</source>
        <translation>Nennen Sie ihre Oberfläche.</translation>
    </message>
    <message>
        <source>Name now</source>
        <translation>Jetziger Name</translation>
    </message>
    <message>
        <source>Name of the new clip</source>
        <translation>Name des neuen Clips</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Name der Vorlage:</translation>
    </message>
    <message>
        <source>Name the folder that the takes lie in.</source>
        <translation>Nennen Sie den Ordner, in dem die Aufnahmen liegen.</translation>
    </message>
    <message>
        <source>Name the joint whose trajectory the root is to take.</source>
        <translation>Nennen Sie das Gelenk, dessen Weg die Wurzel nehmen soll.</translation>
    </message>
    <message>
        <source>Name the joints of %1</source>
        <translation>Die Gelenke von %1 benennen</translation>
    </message>
    <message>
        <source>Name the one that takes over.</source>
        <translation>Nennen Sie das, das übernimmt.</translation>
    </message>
    <message>
        <source>Name the strands, choose the faces that they grow on, and take them as their region.</source>
        <translation>Benennen Sie die Strähnen, wählen Sie die Flächen, auf denen sie wachsen, und nehmen Sie sie als Bereich.</translation>
    </message>
    <message>
        <source>Name the surface.</source>
        <translation>Nennen Sie die Oberfläche.</translation>
    </message>
    <message>
        <source>Name the two sides first.</source>
        <translation>Benennen Sie zuerst die beiden Seiten.</translation>
    </message>
    <message>
        <source>Names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>Names come without what was put before them in somebody else's file.</source>
        <translation>Namen kommen ohne das, was in einer fremden Datei davor gesetzt wurde.</translation>
    </message>
    <message>
        <source>Names of clips, in order. Each goes on where the one before it arrived</source>
        <translation>Namen von Clips, in Reihenfolge. Jeder geht dort weiter, wo der vorige ankam</translation>
    </message>
    <message>
        <source>Names of clips, with * and ?; all clips where it is not set</source>
        <translation>Namen von Clips, mit * und ?; alle Clips, wo nichts gesetzt ist</translation>
    </message>
    <message>
        <source>Names of clips, with * and ?; all clips where it is not set. Left for right over the pairs of joints and the shapes that name a side</source>
        <translation>Namen von Clips, mit * und ?; alle Clips, wo nichts gesetzt ist. Links für rechts über die Paare von Gelenken und die Formen, die eine Seite nennen</translation>
    </message>
    <message>
        <source>Names of clips, with * and ?; all clips where it is not set. What each frame adds to the pose is put on the rest pose</source>
        <translation>Namen von Clips, mit * und ?; alle Clips, wo nichts gesetzt ist. Was jedes Bild der Pose hinzufügt, kommt auf die Ruhepose</translation>
    </message>
    <message>
        <source>Names of hulls</source>
        <translation>Namen der Hüllen</translation>
    </message>
    <message>
        <source>Names that stay all the same</source>
        <translation>Namen, die dennoch bleiben</translation>
    </message>
    <message>
        <source>Names with * and ?. What hung on them keeps its position in every frame</source>
        <translation>Namen mit * und ?. Was an ihnen hing, behält seinen Ort in jedem Bild</translation>
    </message>
    <message>
        <source>Names with * and ?; a node goes with all below it, a clip by itself. What carries something that goes out stays, and is said</source>
        <translation>Namen mit * und ?; ein Knoten geht mit allem darunter, ein Clip für sich. Was etwas trägt, das hinausgeht, bleibt, und es wird gesagt</translation>
    </message>
    <message>
        <source>Names with * and ?; all where it is not set</source>
        <translation>Namen mit * und ?; alle, wo nichts gesetzt ist</translation>
    </message>
    <message>
        <source>Names with * and ?; all where it is not set. Along the world's axes at rest</source>
        <translation>Namen mit * und ?; alle, wo nichts gesetzt ist. In der Ruhe entlang der Achsen der Welt</translation>
    </message>
    <message>
        <source>Names with * and ?; primitives and materials stay apart. Rigid ones keep their position; beside bound ones a rigid one follows the joint it hangs on. Shapes of one name that move in step become one</source>
        <translation>Namen mit * und ?; Teile und Materialien bleiben getrennt. Starre behalten ihren Ort; neben gebundenen folgt eine starre dem Gelenk, an dem sie hängt. Formen eines Namens, die sich im Gleichschritt bewegen, werden eine</translation>
    </message>
    <message>
        <source>Never</source>
        <translation>Nie</translation>
    </message>
    <message>
        <source>New</source>
        <translation>Neu</translation>
    </message>
    <message>
        <source>New clip</source>
        <translation>Neuer Clip</translation>
    </message>
    <message>
        <source>New clip %1</source>
        <translation>Neuer Clip %1</translation>
    </message>
    <message>
        <source>New clips between the places offered; what is cut now is replaced</source>
        <translation>Neue Clips zwischen den angebotenen Stellen; was jetzt geschnitten ist, wird ersetzt</translation>
    </message>
    <message>
        <source>New clip…</source>
        <translation>Neuer Clip …</translation>
    </message>
    <message>
        <source>New from a &amp;template…</source>
        <translation>Neu nach einer &amp;Vorlage …</translation>
    </message>
    <message>
        <source>New layer</source>
        <translation>Neue Ebene</translation>
    </message>
    <message>
        <source>New layer over %1</source>
        <translation>Neue Ebene über %1</translation>
    </message>
    <message>
        <source>New names end in</source>
        <translation>Neue Namen enden auf</translation>
    </message>
    <message>
        <source>New parent of the chosen joints</source>
        <translation>Neues Übergeordnetes der gewählten Gelenke</translation>
    </message>
    <message>
        <source>New variant…</source>
        <translation>Neue Variante …</translation>
    </message>
    <message>
        <source>Next frame</source>
        <translation>Nächstes Bild</translation>
    </message>
    <message>
        <source>Next…</source>
        <translation>Weiter …</translation>
    </message>
    <message>
        <source>No chain %1</source>
        <translation>Ohne Kette %1</translation>
    </message>
    <message>
        <source>No collision hulls yet. Make them of surfaces, of slots, or of the weighted vertices of each joint; they go out with the model, as the destination says.</source>
        <translation>Noch keine Kollisionshüllen. Machen Sie sie aus Oberflächen, aus Slots oder aus den Punkten mit Gewicht auf jedem Gelenk; sie gehen mit dem Modell hinaus, wie das Ziel es sagt.</translation>
    </message>
    <message>
        <source>No faces are chosen in the view.</source>
        <translation>In der Ansicht sind keine Flächen gewählt.</translation>
    </message>
    <message>
        <source>No farther than</source>
        <translation>Nicht weiter als</translation>
    </message>
    <message>
        <source>No findings are open</source>
        <translation>Keine Befunde sind offen</translation>
    </message>
    <message>
        <source>No groups</source>
        <translation>Keine Gruppen</translation>
    </message>
    <message>
        <source>No job yet</source>
        <translation>Noch kein Auftrag</translation>
    </message>
    <message>
        <source>No joint answers it on the other side.</source>
        <translation>Kein Gelenk entspricht ihm auf der anderen Seite.</translation>
    </message>
    <message>
        <source>No joint chosen</source>
        <translation>Kein Gelenk gewählt</translation>
    </message>
    <message>
        <source>No joint has that name: its motion is lost.</source>
        <translation>Kein Gelenk heißt so: seine Bewegung ist verloren.</translation>
    </message>
    <message>
        <source>No joint has “%1” in its name.</source>
        <translation>Kein Gelenk hat „%1“ im Namen.</translation>
    </message>
    <message>
        <source>No joint is above it; “Make root” puts one there.</source>
        <translation>Kein Gelenk steht darüber; „Wurzel anlegen“ setzt eines dorthin.</translation>
    </message>
    <message>
        <source>No joint's name fits.</source>
        <translation>Kein Name eines Gelenks passt.</translation>
    </message>
    <message>
        <source>No joints yet. Import a rigged model: what came in stands here on the left, what each joint became on the right.</source>
        <translation>Noch keine Gelenke. Lesen Sie ein Modell mit Skelett ein: was hereinkam, steht hier links, was aus jedem Gelenk wurde, rechts.</translation>
    </message>
    <message>
        <source>No keys here yet. Turn the joint in the view, or type a number: that keys it at the playhead.</source>
        <translation>Noch keine Schlüssel hier. Drehen Sie das Gelenk in der Ansicht oder tippen Sie eine Zahl: das setzt einen Schlüssel am Abspielkopf.</translation>
    </message>
    <message>
        <source>No layer of keys over this clip yet: “New layer” above.</source>
        <translation>Noch keine Ebene von Schlüsseln über diesem Clip: „Neue Ebene“ weiter oben.</translation>
    </message>
    <message>
        <source>No layer over “%1” yet. A new one keeps what you key, and replays when the take changes.</source>
        <translation>Noch keine Ebene über „%1“. Eine neue bewahrt, was Sie setzen, und spielt es nach, wenn sich die Aufnahme ändert.</translation>
    </message>
    <message>
        <source>No log is kept in this run.</source>
        <translation>In diesem Lauf wird kein Protokoll geführt.</translation>
    </message>
    <message>
        <source>No second reader is installed: sudo apt install {}</source>
        <translation>Kein zweiter Leser ist installiert: sudo apt install {}</translation>
    </message>
    <message>
        <source>No shape has keys on this layer.</source>
        <translation>Keine Form hat Schlüssel auf dieser Ebene.</translation>
    </message>
    <message>
        <source>No step: %1.</source>
        <translation>Kein Schritt: %1.</translation>
    </message>
    <message>
        <source>No steps yet. Findings at the intake offer the step that mends them; every step is replayed when a source changes.</source>
        <translation>Noch keine Schritte. Befunde am Eingang bieten den Schritt an, der sie behebt; jeder Schritt wird nachgespielt, wenn sich eine Quelle ändert.</translation>
    </message>
    <message>
        <source>No strands yet.</source>
        <translation>Noch keine Strähnen.</translation>
    </message>
    <message>
        <source>No surface follows the skeleton of {}</source>
        <translation>Keine Oberfläche folgt dem Skelett, Gelenke: {}</translation>
    </message>
    <message>
        <source>No surface has shapes. Add a file with a sculpted surface to the job's sources, and “Add a shape” makes one of it.</source>
        <translation>Keine Oberfläche hat Formen. Nehmen Sie eine Datei mit einer modellierten Oberfläche zu den Quellen, dann macht „Form hinzufügen“ eine daraus.</translation>
    </message>
    <message>
        <source>No surface is under a skin.</source>
        <translation>Keine Oberfläche ist unter einem Skin.</translation>
    </message>
    <message>
        <source>No surfaces yet. Import a model: hair, feathers and fringes grow on its faces here.</source>
        <translation>Noch keine Oberflächen. Lesen Sie ein Modell ein: Haar, Federn und Fransen wachsen hier auf seinen Flächen.</translation>
    </message>
    <message>
        <source>No surfaces yet. Import a model: the weights of its vertices, its shapes and its material slots stand here.</source>
        <translation>Noch keine Oberflächen. Lesen Sie ein Modell ein: die Gewichte seiner Punkte, seine Formen und Materialslots stehen hier.</translation>
    </message>
    <message>
        <source>No take of another body. Import one, and say under Intake that its source is a take; then its finding offers “Retarget takes”.</source>
        <translation>Keine Aufnahme eines anderen Körpers. Lesen Sie eine ein und sagen Sie unter Eingang, dass ihre Quelle eine Aufnahme ist; dann bietet ihr Befund „Aufnahmen übertragen“ an.</translation>
    </message>
    <message>
        <source>No take yet. Import a file with motion, and its energy, still places and clips stand here.</source>
        <translation>Noch keine Aufnahme. Lesen Sie eine Datei mit Bewegung ein, dann stehen hier ihre Energie, stille Stellen und Clips.</translation>
    </message>
    <message>
        <source>No take yet. Import a file with motion, or a model and its takes: the clips that are cut from them are listed here. Clips from nothing are made under “Keys”.</source>
        <translation>Noch keine Aufnahme. Lesen Sie eine Datei mit Bewegung ein, oder ein Modell und seine Aufnahmen: die daraus geschnittenen Clips stehen hier. Clips aus dem Nichts entstehen unter „Schlüssel“.</translation>
    </message>
    <message>
        <source>No team's folder is chosen: see Preferences.</source>
        <translation>Es ist kein Ordner des Teams gewählt: siehe Einstellungen.</translation>
    </message>
    <message>
        <source>No vertex farther than</source>
        <translation>Kein Punkt weiter als</translation>
    </message>
    <message>
        <source>No {} has that size. Set the height that it should have.</source>
        <translation>Kein {} hat diese Größe. Setzen Sie die Größe, die es haben soll.</translation>
    </message>
    <message>
        <source>Nobody is here yet. Open the web page, or the engine's project with the add-on: it finds this window by itself.</source>
        <translation>Noch ist niemand hier. Öffnen Sie die Webseite oder das Projekt der Engine mit der Erweiterung: sie findet dieses Fenster von selbst.</translation>
    </message>
    <message>
        <source>Nodes</source>
        <translation>Knoten</translation>
    </message>
    <message>
        <source>Noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>Noise every</source>
        <translation>Rauschen alle</translation>
    </message>
    <message>
        <source>Noise, root to tip</source>
        <translation>Rauschen, Wurzel bis Spitze</translation>
    </message>
    <message>
        <source>Noise, root to tip: %1 mm, every %2 mm</source>
        <translation>Rauschen, Wurzel bis Spitze: %1 mm, alle %2 mm</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keiner</translation>
    </message>
    <message>
        <source>None of the missing files is there, by its name or by its content.</source>
        <translation>Keine der fehlenden Dateien ist da, weder nach ihrem Namen noch nach ihrem Inhalt.</translation>
    </message>
    <message>
        <source>None yet: plant some in the view, or spread some to begin with.</source>
        <translation>Noch keine: pflanzen Sie einige in der Ansicht, oder verteilen Sie welche für den Anfang.</translation>
    </message>
    <message>
        <source>Normal image</source>
        <translation>Bild der Normalen</translation>
    </message>
    <message>
        <source>Normalise weights</source>
        <translation>Gewichte normieren</translation>
    </message>
    <message>
        <source>Normals</source>
        <translation>Normalen</translation>
    </message>
    <message>
        <source>Normals or tangents as hairs on the surface; broken ones in red</source>
        <translation>Normalen oder Tangenten als Härchen auf der Oberfläche; fehlerhafte rot</translation>
    </message>
    <message>
        <source>Normals too</source>
        <translation>Auch Normalen</translation>
    </message>
    <message>
        <source>Normals within</source>
        <translation>Normalen innerhalb</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Bemerkung</translation>
    </message>
    <message>
        <source>Nothing changed: the others that hold these vertices are locked, or nothing else holds them.</source>
        <translation>Nichts hat sich geändert: die anderen, die diese Punkte halten, sind gesperrt, oder nichts sonst hält sie.</translation>
    </message>
    <message>
        <source>Nothing goes out: choose what.</source>
        <translation>Nichts geht hinaus: wählen Sie, was.</translation>
    </message>
    <message>
        <source>Nothing has all of these words.</source>
        <translation>Nichts hat alle diese Wörter.</translation>
    </message>
    <message>
        <source>Nothing in it is different.</source>
        <translation>Nichts darin ist anders.</translation>
    </message>
    <message>
        <source>Nothing is cut yet: the take goes out whole. Cut at the playhead, at the places offered, or read a list.</source>
        <translation>Noch ist nichts geschnitten: die Aufnahme geht ganz hinaus. Schneiden Sie am Abspielkopf, an den angebotenen Stellen, oder lesen Sie eine Liste.</translation>
    </message>
    <message>
        <source>Nothing listens: no engine can ask for this job.</source>
        <translation>Nichts hört zu: keine Engine kann diesen Auftrag verlangen.</translation>
    </message>
    <message>
        <source>Nothing moves in “{}”</source>
        <translation>In „{}“ bewegt sich nichts</translation>
    </message>
    <message>
        <source>Nothing of this has arrived yet. Deliver it, and what was read back stands here.</source>
        <translation>Nichts davon ist bisher angekommen. Liefern Sie es aus, dann steht hier, was zurückgelesen wurde.</translation>
    </message>
    <message>
        <source>Nothing to deliver yet. Import a rigged model: its files stand here, one row each, with a column for every destination.</source>
        <translation>Noch nichts auszuliefern. Lesen Sie ein Modell mit Skelett ein: seine Dateien stehen hier, je eine Zeile, mit einer Spalte für jedes Ziel.</translation>
    </message>
    <message>
        <source>Nothing was written: %1</source>
        <translation>Nichts wurde geschrieben: %1</translation>
    </message>
    <message>
        <source>Nothing yet. A job is what comes in, what is done to it, and where it goes. Drop a rigged model and its takes here, or begin with one of these. %1</source>
        <translation>Noch nichts. Ein Auftrag ist, was hereinkommt, was damit geschieht und wohin es geht. Lassen Sie ein Modell mit Skelett und seine Aufnahmen hier fallen, oder beginnen Sie mit einem von diesen. %1</translation>
    </message>
    <message>
        <source>Nothing; the face at the root, as a whole, no length changed; the surface along the strand; the joints that hold the root</source>
        <translation>Nichts; die Fläche an der Wurzel, als Ganzes, ohne geänderte Länge; die Oberfläche entlang der Strähne; die Gelenke, die die Wurzel halten</translation>
    </message>
    <message>
        <source>Numbers of surfaces</source>
        <translation>Zahlen der Oberflächen</translation>
    </message>
    <message>
        <source>OBJ (*.obj)</source>
        <translation>OBJ (*.obj)</translation>
    </message>
    <message>
        <source>OBJ, surfaces as text</source>
        <translation>OBJ, Oberflächen als Text</translation>
    </message>
    <message>
        <source>Occlusion image</source>
        <translation>Bild der Verdeckung</translation>
    </message>
    <message>
        <source>Of a chain on both sides</source>
        <translation>Einer Kette auf beiden Seiten</translation>
    </message>
    <message>
        <source>Of a clip that is made</source>
        <translation>Eines Clips, der entsteht</translation>
    </message>
    <message>
        <source>Of a convex hull</source>
        <translation>Einer konvexen Hülle</translation>
    </message>
    <message>
        <source>Of a tube</source>
        <translation>Einer Röhre</translation>
    </message>
    <message>
        <source>Of all cards together</source>
        <translation>Aller Karten zusammen</translation>
    </message>
    <message>
        <source>Of each card, from root to tip</source>
        <translation>Jeder Karte, von der Wurzel zur Spitze</translation>
    </message>
    <message>
        <source>Of each clip</source>
        <translation>Jedes Clips</translation>
    </message>
    <message>
        <source>Of each strand</source>
        <translation>Jeder Strähne</translation>
    </message>
    <message>
        <source>Of it air (l)</source>
        <translation>Davon Luft (l)</translation>
    </message>
    <message>
        <source>Of more: the heaviest, divided by their sum; or those, with weights fitted anew, by which the surface moves least over the job's clips.</source>
        <translation>Von mehreren: die schwersten, durch ihre Summe geteilt; oder die, mit neu angepassten Gewichten, durch die sich die Oberfläche über die Clips des Auftrags am wenigsten bewegt.</translation>
    </message>
    <message>
        <source>Of source</source>
        <translation>Von Quelle</translation>
    </message>
    <message>
        <source>Of surfaces or material slots</source>
        <translation>Aus Oberflächen oder Materialslots</translation>
    </message>
    <message>
        <source>Of text and controls; used from the next start on</source>
        <translation>Von Text und Bedienelementen; gilt ab dem nächsten Start</translation>
    </message>
    <message>
        <source>Of that clip, the first is 0</source>
        <translation>Dieses Clips, das erste ist 0</translation>
    </message>
    <message>
        <source>Of the JPEG or WebP that is made, 1 to 100. WebP of 100 keeps every pixel.</source>
        <translation>Des erzeugten JPEG oder WebP, 1 bis 100. WebP mit 100 behält jedes Pixel.</translation>
    </message>
    <message>
        <source>Of the base colour</source>
        <translation>Der Grundfarbe</translation>
    </message>
    <message>
        <source>Of the chosen key; of several the first, and the others move along</source>
        <translation>Des gewählten Schlüssels; von mehreren des ersten, und die anderen rücken mit</translation>
    </message>
    <message>
        <source>Of the chosen keys: typing gives it to all of them</source>
        <translation>Der gewählten Schlüssel: Tippen gibt ihn allen</translation>
    </message>
    <message>
        <source>Of the clip</source>
        <translation>Des Clips</translation>
    </message>
    <message>
        <source>Of the curl, root to tip</source>
        <translation>Der Locke, Wurzel bis Spitze</translation>
    </message>
    <message>
        <source>Of the new surface; empty: the strands' with _cards</source>
        <translation>Der neuen Oberfläche; leer: die der Strähnen mit _cards</translation>
    </message>
    <message>
        <source>Of the new surface; empty: the strands' with _lines</source>
        <translation>Der neuen Oberfläche; leer: die der Strähnen mit _lines</translation>
    </message>
    <message>
        <source>Of the plan</source>
        <translation>Des Plans</translation>
    </message>
    <message>
        <source>Of the surfaces named, with weights that are right already; choose them in the view of the Surface station</source>
        <translation>Der genannten Oberflächen, mit Gewichten, die schon richtig sind; wählen Sie sie in der Ansicht der Station Oberfläche</translation>
    </message>
    <message>
        <source>Of the whole name</source>
        <translation>Des ganzen Namens</translation>
    </message>
    <message>
        <source>Of the window; files, logs and the command line are in English</source>
        <translation>Des Fensters; Dateien, Protokolle und die Befehlszeile sind englisch</translation>
    </message>
    <message>
        <source>Of those that are spread</source>
        <translation>Der verteilten</translation>
    </message>
    <message>
        <source>Of those that are spread: how far the tip leans backwards</source>
        <translation>Der verteilten: wie weit sich die Spitze nach hinten neigt</translation>
    </message>
    <message>
        <source>Of those that are there: none, or those of vertices that have some</source>
        <translation>Von denen, die da sind: keine, oder die von Punkten, die welche haben</translation>
    </message>
    <message>
        <source>Of which clip</source>
        <translation>Von welchem Clip</translation>
    </message>
    <message>
        <source>Off a skeleton in a file…</source>
        <translation>Vom Skelett einer Datei …</translation>
    </message>
    <message>
        <source>Off the surface</source>
        <translation>Von der Oberfläche weg</translation>
    </message>
    <message>
        <source>Old names and new, which the rules leave alone</source>
        <translation>Alte Namen und neue, die die Regeln in Ruhe lassen</translation>
    </message>
    <message>
        <source>On from two neighbours along the edges that go straightest</source>
        <translation>Von zwei Nachbarn weiter entlang der Kanten, die am geradesten gehen</translation>
    </message>
    <message>
        <source>On one line</source>
        <translation>Auf einer Zeile</translation>
    </message>
    <message>
        <source>On the ground below the largest tree, or at the origin</source>
        <translation>Am Boden unter dem größten Baum, oder im Ursprung</translation>
    </message>
    <message>
        <source>On the joint</source>
        <translation>Am Gelenk</translation>
    </message>
    <message>
        <source>On the model</source>
        <translation>Auf dem Modell</translation>
    </message>
    <message>
        <source>On top of the take's motion, or instead of it</source>
        <translation>Auf der Bewegung der Aufnahme, oder an ihrer Stelle</translation>
    </message>
    <message>
        <source>On {}: their tangents are undefined, and some engines refuse them for collision.</source>
        <translation>Auf {}: ihre Tangenten sind unbestimmt, und manche Engines lehnen sie für Kollisionen ab.</translation>
    </message>
    <message>
        <source>One archive (.zip)</source>
        <translation>Ein Archiv (.zip)</translation>
    </message>
    <message>
        <source>One by one</source>
        <translation>Einzeln</translation>
    </message>
    <message>
        <source>One eyelid is sculpted, the other one follows.</source>
        <translation>Ein Augenlid wird modelliert, das andere folgt.</translation>
    </message>
    <message>
        <source>One hull for</source>
        <translation>Eine Hülle für</translation>
    </message>
    <message>
        <source>One long take becomes named clips that a game can play one by one.</source>
        <translation>Aus einer langen Aufnahme werden benannte Clips, die ein Spiel einzeln spielen kann.</translation>
    </message>
    <message>
        <source>One of the two will be bent at rest.</source>
        <translation>Eine der beiden wird in der Ruhe verbogen.</translation>
    </message>
    <message>
        <source>One ring of faces less</source>
        <translation>Ein Ring von Flächen weniger</translation>
    </message>
    <message>
        <source>One ring of faces more</source>
        <translation>Ein Ring von Flächen mehr</translation>
    </message>
    <message>
        <source>One ring of vertices less</source>
        <translation>Ein Ring von Punkten weniger</translation>
    </message>
    <message>
        <source>One ring of vertices more</source>
        <translation>Ein Ring von Punkten mehr</translation>
    </message>
    <message>
        <source>One side is painted, the other one follows joint for joint.</source>
        <translation>Eine Seite wird gemalt, die andere folgt Gelenk für Gelenk.</translation>
    </message>
    <message>
        <source>One state drawn over the other</source>
        <translation>Ein Zustand über dem anderen</translation>
    </message>
    <message>
        <source>One that is there, or the name of a new plain one</source>
        <translation>Eines, das da ist, oder der Name eines neuen einfachen</translation>
    </message>
    <message>
        <source>Only a surface under a skin has weights.</source>
        <translation>Nur eine Oberfläche unter einem Skin hat Gewichte.</translation>
    </message>
    <message>
        <source>Only faces of this slot; empty: of any</source>
        <translation>Nur Flächen dieses Slots; leer: jedes</translation>
    </message>
    <message>
        <source>Only faces that have all their corners among these; choose them in the view</source>
        <translation>Nur Flächen, die alle Ecken unter diesen haben; wählen Sie sie in der Ansicht</translation>
    </message>
    <message>
        <source>Only lengths are mended; what has no direction gets one</source>
        <translation>Nur Längen werden behoben; was keine Richtung hat, bekommt eine</translation>
    </message>
    <message>
        <source>Only these joints' weights flow; empty: all</source>
        <translation>Nur die Gewichte dieser Gelenke fließen; leer: alle</translation>
    </message>
    <message>
        <source>Only vertices that nothing holds get weights, from those around them</source>
        <translation>Nur Punkte, die nichts hält, bekommen Gewichte, von denen um sie</translation>
    </message>
    <message>
        <source>Opacity</source>
        <translation>Deckkraft</translation>
    </message>
    <message>
        <source>Open Tansy as somebody sent her. A job is what comes in, what is done to it, and where it goes.</source>
        <translation>Öffnen Sie Tansy, wie jemand sie geschickt hat. Ein Auftrag ist, was hereinkommt, was damit geschieht und wohin es geht.</translation>
    </message>
    <message>
        <source>Open a destination</source>
        <translation>Ein Ziel öffnen</translation>
    </message>
    <message>
        <source>Open a job</source>
        <translation>Einen Auftrag öffnen</translation>
    </message>
    <message>
        <source>Open a job to see here what a change makes of it.</source>
        <translation>Öffnen Sie einen Auftrag, um hier zu sehen, was eine Änderung aus ihm macht.</translation>
    </message>
    <message>
        <source>Open a plan</source>
        <translation>Einen Plan öffnen</translation>
    </message>
    <message>
        <source>Open it</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Open it with the newest one.</source>
        <translation>Öffnen Sie es mit der neuesten.</translation>
    </message>
    <message>
        <source>Open on this machine alone, at 127.0.0.1:%1 · %2</source>
        <translation>Nur auf diesem Rechner offen, unter 127.0.0.1:%1 · %2</translation>
    </message>
    <message>
        <source>Open the d&amp;emo job</source>
        <translation>Den &amp;Beispielauftrag öffnen</translation>
    </message>
    <message>
        <source>Open the demo job</source>
        <translation>Den Beispielauftrag öffnen</translation>
    </message>
    <message>
        <source>Open the web page</source>
        <translation>Die Webseite öffnen</translation>
    </message>
    <message>
        <source>Opens a job, or a new one over files; without any it offers three ways in.</source>
        <translation>Öffnet einen Auftrag, oder einen neuen über Dateien; ohne beides stehen drei Wege hinein zur Wahl.</translation>
    </message>
    <message>
        <source>Opens the folder that it lies in</source>
        <translation>Öffnet den Ordner, in dem es liegt</translation>
    </message>
    <message>
        <source>Opens the page that tells of this destination's delivery: what arrived, what changed, what stayed behind</source>
        <translation>Öffnet die Seite, die von der Lieferung an dieses Ziel erzählt: was ankam, was sich änderte, was zurückblieb</translation>
    </message>
    <message>
        <source>Or the name of a clip that is made from nothing</source>
        <translation>Oder der Name eines Clips, der aus dem Nichts entsteht</translation>
    </message>
    <message>
        <source>Or the pose of a clip, baked into one shape</source>
        <translation>Oder die Pose eines Clips, in eine Form gebacken</translation>
    </message>
    <message>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>Order material slots</source>
        <translation>Materialslots ordnen</translation>
    </message>
    <message>
        <source>Order of joints</source>
        <translation>Reihenfolge der Gelenke</translation>
    </message>
    <message>
        <source>Order shapes</source>
        <translation>Formen ordnen</translation>
    </message>
    <message>
        <source>Order the joints</source>
        <translation>Gelenke ordnen</translation>
    </message>
    <message>
        <source>Origin</source>
        <translation>Ursprung</translation>
    </message>
    <message>
        <source>Other joints</source>
        <translation>Andere Gelenke</translation>
    </message>
    <message>
        <source>Over</source>
        <translation>Übereinander</translation>
    </message>
    <message>
        <source>Over clips</source>
        <translation>Über Clips</translation>
    </message>
    <message>
        <source>Over the ground</source>
        <translation>Über den Boden</translation>
    </message>
    <message>
        <source>Overlap</source>
        <translation>Überlappung</translation>
    </message>
    <message>
        <source>PNG</source>
        <translation>PNG</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Paket</translation>
    </message>
    <message>
        <source>Package…</source>
        <translation>Paket …</translation>
    </message>
    <message>
        <source>Packs what is in the file; whoever reads it must know the way. It comes back bit by bit: much smaller where numbers are rounded</source>
        <translation>Verdichtet, was in der Datei ist; wer sie liest, muss die Art kennen. Es kommt Bit für Bit zurück: viel kleiner, wo Zahlen gerundet sind</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Malen</translation>
    </message>
    <message>
        <source>Paint density</source>
        <translation>Dichte malen</translation>
    </message>
    <message>
        <source>Paint how densely strands may grow, from none to full; begins with the region that is there</source>
        <translation>Malen, wie dicht Strähnen wachsen dürfen, von gar nicht bis voll; beginnt mit dem Bereich, der da ist</translation>
    </message>
    <message>
        <source>Paint it again, or choose faces.</source>
        <translation>Malen Sie sie noch einmal, oder wählen Sie Flächen.</translation>
    </message>
    <message>
        <source>Paint the weights of this joint in the view</source>
        <translation>Die Gewichte dieses Gelenks in der Ansicht malen</translation>
    </message>
    <message>
        <source>Paint weights of %1</source>
        <translation>Gewichte von %1 malen</translation>
    </message>
    <message>
        <source>Paint where strands “%1” grow</source>
        <translation>Malen, wo Strähnen „%1“ wachsen</translation>
    </message>
    <message>
        <source>Painted and typed weights leave those of this joint as they are</source>
        <translation>Gemalte und getippte Gewichte lassen die dieses Gelenks, wie sie sind</translation>
    </message>
    <message>
        <source>Painted density</source>
        <translation>Gemalte Dichte</translation>
    </message>
    <message>
        <source>Painted on</source>
        <translation>Gemalt auf</translation>
    </message>
    <message>
        <source>Painted weights</source>
        <translation>Gemalte Gewichte</translation>
    </message>
    <message>
        <source>Pairs</source>
        <translation>Paare</translation>
    </message>
    <message>
        <source>Parent transform “{}” {}</source>
        <translation>Die Transformation „{}“ darüber {}</translation>
    </message>
    <message>
        <source>Parent transforms</source>
        <translation>Transformationen darüber</translation>
    </message>
    <message>
        <source>Parted in the middle</source>
        <translation>In der Mitte gescheitelt</translation>
    </message>
    <message>
        <source>Partings</source>
        <translation>Scheitel</translation>
    </message>
    <message>
        <source>Partings: %1</source>
        <translation>Scheitel: %1</translation>
    </message>
    <message>
        <source>Partings: none</source>
        <translation>Scheitel: keine</translation>
    </message>
    <message>
        <source>Parts that came in one material get the one that they are to have.</source>
        <translation>Teile, die in einem Material kamen, bekommen das, das sie haben sollen.</translation>
    </message>
    <message>
        <source>Passes</source>
        <translation>Durchgänge</translation>
    </message>
    <message>
        <source>Paste %1</source>
        <translation>Einfügen: %1</translation>
    </message>
    <message>
        <source>Path</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>Path factor</source>
        <translation>Faktor des Weges</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Halt</translation>
    </message>
    <message>
        <source>Pictures (*.png *.jpg *.jpeg)</source>
        <translation>Bilder (*.png *.jpg *.jpeg)</translation>
    </message>
    <message>
        <source>Pictures of strands side by side; cards take them in turn</source>
        <translation>Bilder von Strähnen nebeneinander; Karten nehmen sie der Reihe nach</translation>
    </message>
    <message>
        <source>Pieces</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>Pieces at most</source>
        <translation>Stücke höchstens</translation>
    </message>
    <message>
        <source>Pieces stay rigid</source>
        <translation>Stücke bleiben starr</translation>
    </message>
    <message>
        <source>Place an attachment point in the view</source>
        <translation>Einen Ansatzpunkt in der Ansicht setzen</translation>
    </message>
    <message>
        <source>Place origins</source>
        <translation>Ursprünge setzen</translation>
    </message>
    <message>
        <source>Place some first.</source>
        <translation>Setzen Sie zuerst einige.</translation>
    </message>
    <message>
        <source>Places all guides by what the surface alone says: a start that saves time, to be corrected by hand</source>
        <translation>Setzt alle Leitpunkte allein nach der Oberfläche: ein Anfang, der Zeit spart und von Hand berichtigt wird</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Plan %1</source>
        <translation>Plan %1</translation>
    </message>
    <message>
        <source>Plans (*.plan.json *.json)</source>
        <translation>Pläne (*.plan.json *.json)</translation>
    </message>
    <message>
        <source>Plans (*.plan.json)</source>
        <translation>Pläne (*.plan.json)</translation>
    </message>
    <message>
        <source>Plant a guide</source>
        <translation>Eine Leitkurve pflanzen</translation>
    </message>
    <message>
        <source>Plant guides</source>
        <translation>Leitkurven pflanzen</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Spielen</translation>
    </message>
    <message>
        <source>Play %1 once</source>
        <translation>%1 einmal spielen</translation>
    </message>
    <message>
        <source>Play or pause</source>
        <translation>Abspielen oder anhalten</translation>
    </message>
    <message>
        <source>Point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>Point %1 of %2 from root to tip: %3</source>
        <translation>Punkt %1 von %2 von der Wurzel zur Spitze: %3</translation>
    </message>
    <message>
        <source>Points</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>Points at</source>
        <translation>Zeigt auf</translation>
    </message>
    <message>
        <source>Points in a file of their own; or images, a pixel for each vertex; or morph targets and a clip of them</source>
        <translation>Punkte in einer eigenen Datei; oder Bilder, ein Pixel je Punkt; oder Morphziele und ein Clip daraus</translation>
    </message>
    <message>
        <source>Points of each</source>
        <translation>Punkte je Kurve</translation>
    </message>
    <message>
        <source>Points of guides</source>
        <translation>Punkte von Leitkurven</translation>
    </message>
    <message>
        <source>Pose</source>
        <translation>Pose</translation>
    </message>
    <message>
        <source>Pose to clip</source>
        <translation>Pose zu Clip</translation>
    </message>
    <message>
        <source>Pose “%1”</source>
        <translation>Pose „%1“</translation>
    </message>
    <message>
        <source>Poses</source>
        <translation>Posen</translation>
    </message>
    <message>
        <source>Poses about</source>
        <translation>Posen ringsum</translation>
    </message>
    <message>
        <source>Position</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Powers of two</source>
        <translation>Zweierpotenzen</translation>
    </message>
    <message>
        <source>Pre&amp;vious frame</source>
        <translation>&amp;Voriges Bild</translation>
    </message>
    <message>
        <source>Preferences</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>Prepared</source>
        <translation>Vorbereitet</translation>
    </message>
    <message>
        <source>Prepared %1</source>
        <translation>Vorbereitet %1</translation>
    </message>
    <message>
        <source>Prepared %1, new</source>
        <translation>Vorbereitet %1, neu</translation>
    </message>
    <message>
        <source>Prepared · %1</source>
        <translation>Vorbereitet · %1</translation>
    </message>
    <message>
        <source>Preset</source>
        <translation>Vorlage</translation>
    </message>
    <message>
        <source>Presets</source>
        <translation>Vorlagen</translation>
    </message>
    <message>
        <source>Presets; copy and paste steps</source>
        <translation>Vorlagen; Schritte kopieren und einfügen</translation>
    </message>
    <message>
        <source>Press “Deliver”: each file is written, read back, and held against what was prepared.</source>
        <translation>Drücken Sie „Ausliefern“: jede Datei wird geschrieben, zurückgelesen und mit dem Vorbereiteten verglichen.</translation>
    </message>
    <message>
        <source>Preview</source>
        <translation>Vorschau</translation>
    </message>
    <message>
        <source>Previous frame</source>
        <translation>Voriges Bild</translation>
    </message>
    <message>
        <source>Props</source>
        <translation>Requisiten</translation>
    </message>
    <message>
        <source>Prune weights</source>
        <translation>Gewichte ausdünnen</translation>
    </message>
    <message>
        <source>Prune…</source>
        <translation>Dünnen …</translation>
    </message>
    <message>
        <source>Pull %1 at frame %2</source>
        <translation>%1 bei Bild %2 ziehen</translation>
    </message>
    <message>
        <source>Pull guides</source>
        <translation>Leitkurven ziehen</translation>
    </message>
    <message>
        <source>Pull points · box beyond the tip: length · ring beside the root: turn · Ctrl adds · Escape ends</source>
        <translation>Punkte ziehen · Kasten hinter der Spitze: Länge · Ring neben der Wurzel: drehen · Strg nimmt hinzu · Esc beendet</translation>
    </message>
    <message>
        <source>Pull, bend, turn and lengthen guides in the view</source>
        <translation>Leitkurven in der Ansicht ziehen, biegen, drehen und verlängern</translation>
    </message>
    <message>
        <source>Put %1 joints under %2</source>
        <translation>%1 Gelenke unter %2 hängen</translation>
    </message>
    <message>
        <source>Put %1 under %2</source>
        <translation>%1 unter %2 hängen</translation>
    </message>
    <message>
        <source>Put a joint only under one that is not below it.</source>
        <translation>Hängen Sie ein Gelenk nur unter eines, das nicht darunter liegt.</translation>
    </message>
    <message>
        <source>Put first…</source>
        <translation>An den Anfang …</translation>
    </message>
    <message>
        <source>Put guide %1 in the middle</source>
        <translation>Leitpunkt %1 in die Mitte rücken</translation>
    </message>
    <message>
        <source>Put the step that makes the region behind those that change faces.</source>
        <translation>Setzen Sie den Schritt, der den Bereich macht, hinter die, die Flächen ändern.</translation>
    </message>
    <message>
        <source>Put this step before those that work on it.</source>
        <translation>Setzen Sie diesen Schritt vor die, die an ihnen arbeiten.</translation>
    </message>
    <message>
        <source>Put “Bake parent transforms” before this step.</source>
        <translation>Setzen Sie „Transformationen darüber backen“ vor diesen Schritt.</translation>
    </message>
    <message>
        <source>Puts the add-on that listens into a project of that engine; switch it on in the project's settings there</source>
        <translation>Legt die Erweiterung, die zuhört, in ein Projekt dieser Engine; schalten Sie sie dort in den Projekteinstellungen ein</translation>
    </message>
    <message>
        <source>Puts the faces between the chosen vertices into another material slot</source>
        <translation>Legt die Flächen zwischen den gewählten Punkten in einen anderen Materialslot</translation>
    </message>
    <message>
        <source>R&amp;emove from the job</source>
        <translation>Aus dem Auftrag ent&amp;fernen</translation>
    </message>
    <message>
        <source>Radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>Re&amp;st pose</source>
        <translation>&amp;Ruhepose</translation>
    </message>
    <message>
        <source>Read a list of cuts</source>
        <translation>Eine Liste von Schnitten lesen</translation>
    </message>
    <message>
        <source>Read a list…</source>
        <translation>Lesen …</translation>
    </message>
    <message>
        <source>Read a map</source>
        <translation>Eine Zuordnung lesen</translation>
    </message>
    <message>
        <source>Read cuts from a list</source>
        <translation>Schnitte aus einer Liste lesen</translation>
    </message>
    <message>
        <source>Read map…</source>
        <translation>Zuordnung lesen …</translation>
    </message>
    <message>
        <source>Reading back what was delivered.</source>
        <translation>Das Ausgelieferte wird zurückgelesen.</translation>
    </message>
    <message>
        <source>Reading it and replaying the route card…</source>
        <translation>Sie wird gelesen, und die Laufkarte nachgespielt …</translation>
    </message>
    <message>
        <source>Reading the sources</source>
        <translation>Die Quellen werden gelesen</translation>
    </message>
    <message>
        <source>Received</source>
        <translation>Empfangen</translation>
    </message>
    <message>
        <source>Received %1</source>
        <translation>Empfangen %1</translation>
    </message>
    <message>
        <source>Received %1, left out</source>
        <translation>Empfangen %1, weggelassen</translation>
    </message>
    <message>
        <source>Received %1, renamed</source>
        <translation>Empfangen %1, umbenannt</translation>
    </message>
    <message>
        <source>Received · %1</source>
        <translation>Empfangen · %1</translation>
    </message>
    <message>
        <source>Recompute normals</source>
        <translation>Normalen neu berechnen</translation>
    </message>
    <message>
        <source>Recompute tangents</source>
        <translation>Tangenten neu berechnen</translation>
    </message>
    <message>
        <source>Record of an import</source>
        <translation>Spur des Einlesens</translation>
    </message>
    <message>
        <source>Reduce keys</source>
        <translation>Schlüssel verringern</translation>
    </message>
    <message>
        <source>Region</source>
        <translation>Bereich</translation>
    </message>
    <message>
        <source>Region for strands</source>
        <translation>Bereich für Strähnen</translation>
    </message>
    <message>
        <source>Region of strands “%1”</source>
        <translation>Bereich der Strähnen „%1“</translation>
    </message>
    <message>
        <source>Regular expression</source>
        <translation>Regulärer Ausdruck</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Remove %1</source>
        <translation>%1 entfernen</translation>
    </message>
    <message>
        <source>Remove %1 joints</source>
        <translation>%1 Gelenke entfernen</translation>
    </message>
    <message>
        <source>Remove empty shapes</source>
        <translation>Leere Formen entfernen</translation>
    </message>
    <message>
        <source>Remove joints</source>
        <translation>Gelenke entfernen</translation>
    </message>
    <message>
        <source>Remove step</source>
        <translation>Schritt entfernen</translation>
    </message>
    <message>
        <source>Remove these %1 joints</source>
        <translation>Diese %1 Gelenke entfernen</translation>
    </message>
    <message>
        <source>Remove this joint</source>
        <translation>Dieses Gelenk entfernen</translation>
    </message>
    <message>
        <source>Removes the chosen joints; their weights go to the joint above (Delete)</source>
        <translation>Entfernt die gewählten Gelenke; ihre Gewichte gehen an das Gelenk darüber (Entf)</translation>
    </message>
    <message>
        <source>Removing moves the weights of %1, and one of them by at most %2 mm (%3 → %4, %5)</source>
        <translation>Entfernen bewegt die Gewichte von %1, und einen Punkt davon um höchstens %2 mm (%3 → %4, %5)</translation>
    </message>
    <message>
        <source>Removing them moves nothing: they have no weights.</source>
        <translation>Sie zu entfernen bewegt nichts: sie haben keine Gewichte.</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Rename a clip, or give the destination another file template.</source>
        <translation>Benennen Sie einen Clip um, oder geben Sie dem Ziel eine andere Dateivorlage.</translation>
    </message>
    <message>
        <source>Rename by %1</source>
        <translation>Umbenennen durch %1</translation>
    </message>
    <message>
        <source>Rename clips</source>
        <translation>Clips umbenennen</translation>
    </message>
    <message>
        <source>Rename joints</source>
        <translation>Gelenke umbenennen</translation>
    </message>
    <message>
        <source>Rename material slots</source>
        <translation>Materialslots umbenennen</translation>
    </message>
    <message>
        <source>Rename shapes</source>
        <translation>Formen umbenennen</translation>
    </message>
    <message>
        <source>Rename surfaces and shapes</source>
        <translation>Oberflächen und Formen umbenennen</translation>
    </message>
    <message>
        <source>Rename the clip by a rule, or give the destination another file template.</source>
        <translation>Benennen Sie den Clip durch eine Regel um, oder geben Sie dem Ziel eine andere Dateivorlage.</translation>
    </message>
    <message>
        <source>Rename the clip, or give the destination another file template.</source>
        <translation>Benennen Sie den Clip um, oder geben Sie dem Ziel eine andere Dateivorlage.</translation>
    </message>
    <message>
        <source>Rename to %1</source>
        <translation>In %1 umbenennen</translation>
    </message>
    <message>
        <source>Rename what has it first, or give the joints other names in the plan.</source>
        <translation>Benennen Sie um, was ihn schon hat, oder geben Sie den Gelenken im Plan andere Namen.</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen …</translation>
    </message>
    <message>
        <source>Reparent</source>
        <translation>Umhängen</translation>
    </message>
    <message>
        <source>Reparent joints</source>
        <translation>Gelenke umhängen</translation>
    </message>
    <message>
        <source>Reparent…</source>
        <translation>Umhängen …</translation>
    </message>
    <message>
        <source>Repeat</source>
        <translation>Wiederholung</translation>
    </message>
    <message>
        <source>Repeats</source>
        <translation>Wiederholt</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Replace %1</source>
        <translation>%1 ersetzen</translation>
    </message>
    <message>
        <source>Replace a source</source>
        <translation>Eine Quelle ersetzen</translation>
    </message>
    <message>
        <source>Replace by</source>
        <translation>Ersetzen durch</translation>
    </message>
    <message>
        <source>Replayed on every source. Drag to reorder; clear a tick to see the job without a step.</source>
        <translation>Wird auf jeder Quelle nachgespielt. Ziehen ordnet um; nehmen Sie ein Häkchen weg, um den Auftrag ohne einen Schritt zu sehen.</translation>
    </message>
    <message>
        <source>Replaying the route card</source>
        <translation>Die Laufkarte wird nachgespielt</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Bericht</translation>
    </message>
    <message>
        <source>Rest pose</source>
        <translation>Ruhepose</translation>
    </message>
    <message>
        <source>Rest rotation</source>
        <translation>Ruhedrehung</translation>
    </message>
    <message>
        <source>Rest rotations</source>
        <translation>Ruhedrehungen</translation>
    </message>
    <message>
        <source>Rest transforms</source>
        <translation>Ruhetransformationen</translation>
    </message>
    <message>
        <source>Retarget takes</source>
        <translation>Aufnahmen übertragen</translation>
    </message>
    <message>
        <source>Reverse</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>Revert</source>
        <translation>Zurücksetzen</translation>
    </message>
    <message>
        <source>Ribbons or tubes, one for each group of strands that run alike, under the same skin</source>
        <translation>Bänder oder Röhren, eine für jede Gruppe gleichlaufender Strähnen, unter demselben Skin</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>Right ending</source>
        <translation>Rechte Endung</translation>
    </message>
    <message>
        <source>Rigs in the engine rotate joints about one axis along the bone; here every joint gets it.</source>
        <translation>Rigs in der Engine drehen Gelenke um eine Achse entlang dem Knochen; hier bekommt sie jedes Gelenk.</translation>
    </message>
    <message>
        <source>Root</source>
        <translation>Wurzel</translation>
    </message>
    <message>
        <source>Root joint</source>
        <translation>Wurzelgelenk</translation>
    </message>
    <message>
        <source>Root strands on a surface</source>
        <translation>Strähnen auf einer Oberfläche verwurzeln</translation>
    </message>
    <message>
        <source>Root them first.</source>
        <translation>Verwurzeln Sie sie zuerst.</translation>
    </message>
    <message>
        <source>Roots</source>
        <translation>Wurzeln</translation>
    </message>
    <message>
        <source>Roots of “{}” are on no face of “{}”</source>
        <translation>Wurzeln von „{}“ sitzen auf keiner Fläche von „{}“</translation>
    </message>
    <message>
        <source>Rotate</source>
        <translation>Drehen</translation>
    </message>
    <message>
        <source>Rotate about X</source>
        <translation>Drehen um X</translation>
    </message>
    <message>
        <source>Rotation</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Rotation about X</source>
        <translation>Drehung um X</translation>
    </message>
    <message>
        <source>Roughness</source>
        <translation>Rauheit</translation>
    </message>
    <message>
        <source>Roughness in its green, metalness in its blue</source>
        <translation>Rauheit in seinem Grün, Metall in seinem Blau</translation>
    </message>
    <message>
        <source>Rounded</source>
        <translation>Gerundet</translation>
    </message>
    <message>
        <source>Route card</source>
        <translation>Laufkarte</translation>
    </message>
    <message>
        <source>Route card: presets, copy and paste</source>
        <translation>Laufkarte: Vorlagen, kopieren und einfügen</translation>
    </message>
    <message>
        <source>Rules</source>
        <translation>Regeln</translation>
    </message>
    <message>
        <source>S&amp;urfaces</source>
        <translation>Ober&amp;flächen</translation>
    </message>
    <message>
        <source>Said once, every later version in another size is seen.</source>
        <translation>Einmal gesagt, fällt jede spätere Fassung in anderer Größe auf.</translation>
    </message>
    <message>
        <source>Said so that nothing of the source changes unnoticed.</source>
        <translation>Gesagt, damit sich nichts an der Quelle unbemerkt ändert.</translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation>Speichern &amp;unter …</translation>
    </message>
    <message>
        <source>Save &amp;view as image…</source>
        <translation>Ansicht als &amp;Bild speichern …</translation>
    </message>
    <message>
        <source>Save as file…</source>
        <translation>Als Datei speichern …</translation>
    </message>
    <message>
        <source>Save for sculpting</source>
        <translation>Zum Modellieren speichern</translation>
    </message>
    <message>
        <source>Save for sculpting…</source>
        <translation>Zum Modellieren speichern …</translation>
    </message>
    <message>
        <source>Save for the team</source>
        <translation>Für das Team speichern</translation>
    </message>
    <message>
        <source>Save it with flat colours, as a PNG.</source>
        <translation>Speichern Sie sie mit flachen Farben, als PNG.</translation>
    </message>
    <message>
        <source>Save map…</source>
        <translation>Zuordnung speichern …</translation>
    </message>
    <message>
        <source>Save over it all the same</source>
        <translation>Dennoch darüberspeichern</translation>
    </message>
    <message>
        <source>Save the destination</source>
        <translation>Das Ziel speichern</translation>
    </message>
    <message>
        <source>Save the job</source>
        <translation>Den Auftrag speichern</translation>
    </message>
    <message>
        <source>Save the map</source>
        <translation>Die Zuordnung speichern</translation>
    </message>
    <message>
        <source>Save the new variant</source>
        <translation>Die neue Variante speichern</translation>
    </message>
    <message>
        <source>Save the plan</source>
        <translation>Den Plan speichern</translation>
    </message>
    <message>
        <source>Save to a file…</source>
        <translation>In einer Datei speichern …</translation>
    </message>
    <message>
        <source>Save to my library</source>
        <translation>In meine Bibliothek</translation>
    </message>
    <message>
        <source>Save view as image</source>
        <translation>Ansicht als Bild speichern</translation>
    </message>
    <message>
        <source>Saves a copy of the job, under the variant's name typed here, as another variant of the same family</source>
        <translation>Speichert eine Kopie des Auftrags unter dem hier getippten Namen, als weitere Variante derselben Familie</translation>
    </message>
    <message>
        <source>Saves the surface as the clip has it at this frame (.obj, held sliders aside). What a sculptor makes of it comes back as a source, for “Add a shape” or “Add a corrective”</source>
        <translation>Speichert die Oberfläche, wie der Clip sie an diesem Bild hat (.obj, ohne gehaltene Regler). Was beim Modellieren daraus wird, kommt als Quelle zurück, für „Form hinzufügen“ oder „Korrekturform hinzufügen“</translation>
    </message>
    <message>
        <source>Say how tall it is</source>
        <translation>Sagen, wie groß es ist</translation>
    </message>
    <message>
        <source>Say whose rest pose holds</source>
        <translation>Sagen, wessen Ruhepose gilt</translation>
    </message>
    <message>
        <source>Says what it is</source>
        <translation>Sagt, was es ist</translation>
    </message>
    <message>
        <source>Scale</source>
        <translation>Skalierung</translation>
    </message>
    <message>
        <source>Scale 1 : 1</source>
        <translation>Maßstab 1 : 1</translation>
    </message>
    <message>
        <source>Scale by</source>
        <translation>Mal</translation>
    </message>
    <message>
        <source>Scale keys</source>
        <translation>Schlüssel skalieren</translation>
    </message>
    <message>
        <source>Scale received to prepared × %1</source>
        <translation>Maßstab Empfangen zu Vorbereitet × %1</translation>
    </message>
    <message>
        <source>Scale shapes</source>
        <translation>Formen skalieren</translation>
    </message>
    <message>
        <source>Scale that moves</source>
        <translation>Bewegte Skalierung</translation>
    </message>
    <message>
        <source>Scale…</source>
        <translation>Skalieren …</translation>
    </message>
    <message>
        <source>Scene</source>
        <translation>Szene</translation>
    </message>
    <message>
        <source>Scenes (%1)</source>
        <translation>Szenen (%1)</translation>
    </message>
    <message>
        <source>Seam</source>
        <translation>Naht</translation>
    </message>
    <message>
        <source>Search in the guide</source>
        <translation>Im Handbuch suchen</translation>
    </message>
    <message>
        <source>Second axis</source>
        <translation>Zweite Achse</translation>
    </message>
    <message>
        <source>Second axis looks to</source>
        <translation>Zweite Achse schaut nach</translation>
    </message>
    <message>
        <source>Second reader</source>
        <translation>Zweiter Leser</translation>
    </message>
    <message>
        <source>See how it arrived</source>
        <translation>Sehen, wie es ankam</translation>
    </message>
    <message>
        <source>Seed</source>
        <translation>Startzahl</translation>
    </message>
    <message>
        <source>Seen from</source>
        <translation>Gesehen von</translation>
    </message>
    <message>
        <source>Seen from behind as well</source>
        <translation>Auch von hinten zu sehen</translation>
    </message>
    <message>
        <source>Segments</source>
        <translation>Abschnitte</translation>
    </message>
    <message>
        <source>Set</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Set a material</source>
        <translation>Material setzen</translation>
    </message>
    <message>
        <source>Set a material…</source>
        <translation>Ein Material setzen …</translation>
    </message>
    <message>
        <source>Set on the ground</source>
        <translation>Auf den Boden stellen</translation>
    </message>
    <message>
        <source>Set the rest pose</source>
        <translation>Ruhepose setzen</translation>
    </message>
    <message>
        <source>Set the rest pose first: then all surfaces are bound in one.</source>
        <translation>Setzen Sie zuerst die Ruhepose: dann sind alle Oberflächen in einer gebunden.</translation>
    </message>
    <message>
        <source>Set to</source>
        <translation>Setzen auf</translation>
    </message>
    <message>
        <source>Set widths of strands</source>
        <translation>Breiten der Strähnen setzen</translation>
    </message>
    <message>
        <source>Sets the axes, the hand, the unit and the front below by the usual ones.</source>
        <translation>Setzt die Achsen, die Hand, die Einheit und vorn weiter unten auf eine der üblichen.</translation>
    </message>
    <message>
        <source>Sets what the step needs before it goes onto the card</source>
        <translation>Setzt, was der Schritt braucht, bevor er auf die Karte kommt</translation>
    </message>
    <message>
        <source>Setting</source>
        <translation>Einstellung</translation>
    </message>
    <message>
        <source>Shade in its red</source>
        <translation>Schatten in seinem Rot</translation>
    </message>
    <message>
        <source>Shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>Shape %1 of “%2”</source>
        <translation>Form %1 von „%2“</translation>
    </message>
    <message>
        <source>Shape guides</source>
        <translation>Leitkurven formen</translation>
    </message>
    <message>
        <source>Shape names</source>
        <translation>Formnamen</translation>
    </message>
    <message>
        <source>Shape “{}” moves nothing</source>
        <translation>Form „{}“ bewegt nichts</translation>
    </message>
    <message>
        <source>Shapes</source>
        <translation>Formen</translation>
    </message>
    <message>
        <source>Shapes in the order they are to have; others follow as they stood</source>
        <translation>Formen in der Reihenfolge, die sie haben sollen; andere folgen, wie sie standen</translation>
    </message>
    <message>
        <source>Shapes move the surface first, then the joints bend it. This is how every frame here is made, and how files say it.</source>
        <translation>Formen bewegen die Oberfläche zuerst, dann biegen die Gelenke sie. So entsteht hier jedes Bild, und so sagen es Dateien.</translation>
    </message>
    <message>
        <source>Shapes moved</source>
        <translation>Bewegte Formen</translation>
    </message>
    <message>
        <source>Shapes of one surface. 0: none go out. Empty: any number.</source>
        <translation>Formen einer Oberfläche. 0: keine geht hinaus. Leer: beliebig viele.</translation>
    </message>
    <message>
        <source>Shapes that always move together become one, and cost an engine once.</source>
        <translation>Formen, die sich immer zusammen bewegen, werden eine, und kosten eine Engine einmal.</translation>
    </message>
    <message>
        <source>Shapes that move no vertex farther than that go, with their keys</source>
        <translation>Formen, die keinen Punkt weiter bewegen, gehen, mit ihren Schlüsseln</translation>
    </message>
    <message>
        <source>Shapes · %1</source>
        <translation>Formen · %1</translation>
    </message>
    <message>
        <source>Share</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>She is 161.8 m tall and has two roots. Press “Add” at the findings: each puts a step on the route card, and the right pane shows what comes of it. Add “Scale” and “Make root”.</source>
        <translation>Sie ist 161,8 m groß und hat zwei Wurzeln. Drücken Sie bei den Befunden „Hinzufügen“: jeder legt einen Schritt auf die Laufkarte, und die rechte Ansicht zeigt, was daraus wird. Fügen Sie „Skalieren“ und „Wurzel anlegen“ hinzu.</translation>
    </message>
    <message>
        <source>Shortest still place, seconds</source>
        <translation>Kürzeste stille Stelle, Sekunden</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Show %1 more</source>
        <translation>%1 weitere zeigen</translation>
    </message>
    <message>
        <source>Show %1 more of %2</source>
        <translation>%1 weitere von %2 zeigen</translation>
    </message>
    <message>
        <source>Show all</source>
        <translation>Alle zeigen</translation>
    </message>
    <message>
        <source>Show it</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Show materials</source>
        <translation>Materialien zeigen</translation>
    </message>
    <message>
        <source>Show or hide joints</source>
        <translation>Gelenke zeigen oder verbergen</translation>
    </message>
    <message>
        <source>Show or hide surfaces</source>
        <translation>Oberflächen zeigen oder verbergen</translation>
    </message>
    <message>
        <source>Show or hide the joints' names</source>
        <translation>Namen der Gelenke zeigen oder verbergen</translation>
    </message>
    <message>
        <source>Shows or hides the curves of this axis</source>
        <translation>Zeigt oder verbirgt die Kurven dieser Achse</translation>
    </message>
    <message>
        <source>Shows the shape so far in, in the view alone: the job does not change</source>
        <translation>Zeigt die Form so weit wirkend, nur in der Ansicht: der Auftrag ändert sich nicht</translation>
    </message>
    <message>
        <source>Shrink</source>
        <translation>Kleiner</translation>
    </message>
    <message>
        <source>Side</source>
        <translation>Seite</translation>
    </message>
    <message>
        <source>Side tokens</source>
        <translation>Seitenzeichen</translation>
    </message>
    <message>
        <source>Side tokens %1, %2</source>
        <translation>Seitenzeichen %1, %2</translation>
    </message>
    <message>
        <source>Sides</source>
        <translation>Seiten</translation>
    </message>
    <message>
        <source>Sides of images</source>
        <translation>Seiten der Bilder</translation>
    </message>
    <message>
        <source>Sitting down is standing up the other way around.</source>
        <translation>Sich setzen ist Aufstehen andersherum.</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Skeleton</source>
        <translation>Skelett</translation>
    </message>
    <message>
        <source>Ski&amp;p</source>
        <translation>&amp;Überspringen</translation>
    </message>
    <message>
        <source>Skins</source>
        <translation>Skins</translation>
    </message>
    <message>
        <source>Slot</source>
        <translation>Slot</translation>
    </message>
    <message>
        <source>Slots</source>
        <translation>Slots</translation>
    </message>
    <message>
        <source>Slots of one material cost an engine a draw each; materials of one name come from joining files.</source>
        <translation>Slots eines Materials kosten eine Engine je eine Zeichnung; Materialien eines Namens kommen vom Verbinden von Dateien.</translation>
    </message>
    <message>
        <source>Smooth</source>
        <translation>Glätten</translation>
    </message>
    <message>
        <source>Smooth guides</source>
        <translation>Leitkurven glätten</translation>
    </message>
    <message>
        <source>Smooth over</source>
        <translation>Glätten über</translation>
    </message>
    <message>
        <source>Smooth weights</source>
        <translation>Gewichte glätten</translation>
    </message>
    <message>
        <source>Smooth…</source>
        <translation>Glätten …</translation>
    </message>
    <message>
        <source>Snap to the middle</source>
        <translation>In die Mitte einrasten</translation>
    </message>
    <message>
        <source>So long a clip is measured when it is delivered; baked on the card, it is measured there</source>
        <translation>Ein so langer Clip wird beim Ausliefern gemessen; auf der Karte gebacken, wird er dort gemessen</translation>
    </message>
    <message>
        <source>So manieth frame</source>
        <translation>Jedes wievielte Bild</translation>
    </message>
    <message>
        <source>So many of the strands that there will be</source>
        <translation>So viele der Strähnen, die es geben wird</translation>
    </message>
    <message>
        <source>So many over the region, along the normal, to begin with</source>
        <translation>So viele über den Bereich, entlang der Normalen, für den Anfang</translation>
    </message>
    <message>
        <source>So that others can demand the same skeleton</source>
        <translation>Damit andere dasselbe Skelett verlangen können</translation>
    </message>
    <message>
        <source>So they are called</source>
        <translation>So heißen sie dann</translation>
    </message>
    <message>
        <source>Soft across</source>
        <translation>Weich über</translation>
    </message>
    <message>
        <source>Some to begin with, over the region; or from curves that were brought in</source>
        <translation>Einige für den Anfang, über den Bereich; oder aus eingelesenen Kurven</translation>
    </message>
    <message>
        <source>Source ▾</source>
        <translation>Quelle ▾</translation>
    </message>
    <message>
        <source>Sources</source>
        <translation>Quellen</translation>
    </message>
    <message>
        <source>Sources of one job most often count in one unit; this one may have been read in another.</source>
        <translation>Quellen eines Auftrags zählen meist in einer Einheit; diese wurde vielleicht in einer anderen gelesen.</translation>
    </message>
    <message>
        <source>Spell it alike in the file templates.</source>
        <translation>Schreiben Sie ihn in den Dateivorlagen gleich.</translation>
    </message>
    <message>
        <source>Spell it as it is there.</source>
        <translation>Schreiben Sie ihn, wie er dort steht.</translation>
    </message>
    <message>
        <source>Split at hard edges</source>
        <translation>An harten Kanten teilen</translation>
    </message>
    <message>
        <source>Split by side…</source>
        <translation>Nach Seiten teilen …</translation>
    </message>
    <message>
        <source>Split shapes by side</source>
        <translation>Formen nach Seiten teilen</translation>
    </message>
    <message>
        <source>Split take</source>
        <translation>Aufnahme teilen</translation>
    </message>
    <message>
        <source>Spread</source>
        <translation>Verteilen</translation>
    </message>
    <message>
        <source>Spreading</source>
        <translation>Ausbreitung</translation>
    </message>
    <message>
        <source>Spread…</source>
        <translation>Verteilen …</translation>
    </message>
    <message>
        <source>Stale</source>
        <translation>Veraltet</translation>
    </message>
    <message>
        <source>Stands out (mm)</source>
        <translation>Ragt heraus (mm)</translation>
    </message>
    <message>
        <source>Stands up to</source>
        <translation>Steht bis</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Start and end pose</source>
        <translation>Beide Enden</translation>
    </message>
    <message>
        <source>Start at a frame</source>
        <translation>An einem Bild beginnen</translation>
    </message>
    <message>
        <source>Starting weights of shapes</source>
        <translation>Anfangsgewichte der Formen</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Zustand</translation>
    </message>
    <message>
        <source>Station</source>
        <translation>Station</translation>
    </message>
    <message>
        <source>Station: %1</source>
        <translation>Station: %1</translation>
    </message>
    <message>
        <source>Stays behind</source>
        <translation>Bleibt zurück</translation>
    </message>
    <message>
        <source>Stays in the job</source>
        <translation>Bleibt im Auftrag</translation>
    </message>
    <message>
        <source>Step %1 on</source>
        <translation>Schritt %1 an</translation>
    </message>
    <message>
        <source>Step %1, %2: %3</source>
        <translation>Schritt %1, %2: %3</translation>
    </message>
    <message>
        <source>Still below</source>
        <translation>Still unter</translation>
    </message>
    <message>
        <source>Still is slower than, metres a second</source>
        <translation>Still heißt langsamer als, Meter in der Sekunde</translation>
    </message>
    <message>
        <source>Still places that are offered as cuts</source>
        <translation>Stille Stellen, die als Schnitte angeboten werden</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Halt</translation>
    </message>
    <message>
        <source>Stopped: nothing was made.</source>
        <translation>Angehalten: nichts wurde gemacht.</translation>
    </message>
    <message>
        <source>Store pose</source>
        <translation>Pose merken</translation>
    </message>
    <message>
        <source>Store pose %1</source>
        <translation>Pose %1 merken</translation>
    </message>
    <message>
        <source>Strands</source>
        <translation>Strähnen</translation>
    </message>
    <message>
        <source>Strands and caches</source>
        <translation>Strähnen und Caches</translation>
    </message>
    <message>
        <source>Strands follow</source>
        <translation>Strähnen folgen</translation>
    </message>
    <message>
        <source>Strands from lines</source>
        <translation>Strähnen aus Linien</translation>
    </message>
    <message>
        <source>Strands stand still while the head turns, unless they are tied to the surface that they grow on.</source>
        <translation>Strähnen stehen still, während sich der Kopf dreht, wenn sie nicht an die Oberfläche gebunden sind, auf der sie wachsen.</translation>
    </message>
    <message>
        <source>Strands that begin farther off are told</source>
        <translation>Strähnen, die weiter weg beginnen, werden gemeldet</translation>
    </message>
    <message>
        <source>Strands that follow nothing have nothing to be measured over.</source>
        <translation>Strähnen, die nichts folgen, haben nichts, worüber sie gemessen werden könnten.</translation>
    </message>
    <message>
        <source>Strands with the model, where it can; no caches</source>
        <translation>Strähnen mit dem Modell, wo es geht; keine Caches</translation>
    </message>
    <message>
        <source>Strands without a width are not seen in most engines.</source>
        <translation>Strähnen ohne Breite sind in den meisten Engines nicht zu sehen.</translation>
    </message>
    <message>
        <source>Strands “{}” are {}{}{}</source>
        <translation>Strähnen „{}“ sind {}{}{}</translation>
    </message>
    <message>
        <source>Strands “{}” have no roots</source>
        <translation>Strähnen „{}“ haben keine Wurzeln</translation>
    </message>
    <message>
        <source>Strands “{}” have no width</source>
        <translation>Strähnen „{}“ haben keine Breite</translation>
    </message>
    <message>
        <source>Strays too</source>
        <translation>Auch verstreute</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Stretch time</source>
        <translation>Zeit strecken</translation>
    </message>
    <message>
        <source>Strip prefix</source>
        <translation>Vorsatz abnehmen</translation>
    </message>
    <message>
        <source>Strips and fans become plain triangles, which every engine reads; faces of more corners were divided on reading, a quad along its shorter diagonal.</source>
        <translation>Aus Streifen und Fächern werden einfache Dreiecke, die jede Engine liest; Flächen mit mehr Ecken wurden beim Lesen geteilt, ein Viereck entlang seiner kürzeren Diagonale.</translation>
    </message>
    <message>
        <source>Strokes</source>
        <translation>Striche</translation>
    </message>
    <message>
        <source>Such stand between {} and {}.</source>
        <translation>Solche sind zwischen {} und {} groß.</translation>
    </message>
    <message>
        <source>Suggest from the surface</source>
        <translation>Von der Oberfläche vorschlagen</translation>
    </message>
    <message>
        <source>Suggest guides</source>
        <translation>Leitpunkte vorschlagen</translation>
    </message>
    <message>
        <source>Sums are 1; nothing else was noticed.</source>
        <translation>Summen sind 1; sonst fiel nichts auf.</translation>
    </message>
    <message>
        <source>Surface</source>
        <translation>Oberfläche</translation>
    </message>
    <message>
        <source>Surface names</source>
        <translation>Oberflächennamen</translation>
    </message>
    <message>
        <source>Surfaces</source>
        <translation>Oberflächen</translation>
    </message>
    <message>
        <source>Surfaces stand</source>
        <translation>Die Oberflächen sind</translation>
    </message>
    <message>
        <source>Surfaces, shapes and materials are found by name in an engine; rules give them the names it asks for.</source>
        <translation>Oberflächen, Formen und Materialien findet eine Engine am Namen; Regeln geben ihnen die, nach denen sie fragt.</translation>
    </message>
    <message>
        <source>Switch off %1</source>
        <translation>%1 ausschalten</translation>
    </message>
    <message>
        <source>Switch on %1</source>
        <translation>%1 einschalten</translation>
    </message>
    <message>
        <source>Symmetry</source>
        <translation>Symmetrie</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>Take %1 as another thing</source>
        <translation>%1 als etwas anderes nehmen</translation>
    </message>
    <message>
        <source>Take %1 out of the contract</source>
        <translation>%1 aus dem Vertrag nehmen</translation>
    </message>
    <message>
        <source>Take all partings away</source>
        <translation>Alle Scheitel wegnehmen</translation>
    </message>
    <message>
        <source>Take all steps of these strands off the card</source>
        <translation>Alle Schritte dieser Strähnen von der Karte nehmen</translation>
    </message>
    <message>
        <source>Take as region</source>
        <translation>Als Bereich nehmen</translation>
    </message>
    <message>
        <source>Take away</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>Take centres by number instead.</source>
        <translation>Nehmen Sie statt dessen Mitten nach Anzahl.</translation>
    </message>
    <message>
        <source>Take corners out of the chosen ones</source>
        <translation>Nimmt Ecken aus den gewählten</translation>
    </message>
    <message>
        <source>Take every second frame, or a shorter range.</source>
        <translation>Nehmen Sie jedes zweite Bild, oder eine kürzere Strecke.</translation>
    </message>
    <message>
        <source>Take guides away</source>
        <translation>Leitkurven wegnehmen</translation>
    </message>
    <message>
        <source>Take it</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Take it out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source>Take out clip %1</source>
        <translation>Clip %1 herausnehmen</translation>
    </message>
    <message>
        <source>Take partings away</source>
        <translation>Scheitel wegnehmen</translation>
    </message>
    <message>
        <source>Take strands “%1” off</source>
        <translation>Strähnen „%1“ wegnehmen</translation>
    </message>
    <message>
        <source>Take strip: motion, still places and clips over the take</source>
        <translation>Aufnahmestreifen: Bewegung, stille Stellen und Clips über die Aufnahme</translation>
    </message>
    <message>
        <source>Take the chosen joints</source>
        <translation>Die gewählten Gelenke nehmen</translation>
    </message>
    <message>
        <source>Take the folder beside the job from where it was whole.</source>
        <translation>Nehmen Sie den Ordner neben dem Auftrag von dort, wo er vollständig war.</translation>
    </message>
    <message>
        <source>Take the listener that came with this program.</source>
        <translation>Nehmen Sie den Zuhörer, der mit diesem Programm kam.</translation>
    </message>
    <message>
        <source>Take the plan of a skeleton</source>
        <translation>Den Plan eines Skeletts übernehmen</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Aufnahmen</translation>
    </message>
    <message>
        <source>Takes find their joints on the skeleton that the steps before have made, by the names it came with or by those it has now, and move them as they moved in the take.</source>
        <translation>Aufnahmen finden ihre Gelenke auf dem Skelett, das die Schritte davor gemacht haben, unter den mitgebrachten oder den jetzigen Namen, und bewegen sie, wie sie sich in der Aufnahme bewegten.</translation>
    </message>
    <message>
        <source>Takes from other files, carried onto this model; files and folders can be dropped as well</source>
        <translation>Aufnahmen aus anderen Dateien, auf dieses Modell gebracht; Dateien und Ordner lassen sich auch fallen lassen</translation>
    </message>
    <message>
        <source>Takes of other bodies: which joint does as which, and how well it went</source>
        <translation>Aufnahmen anderer Körper: welches Gelenk tut wie welches, und wie gut es ging</translation>
    </message>
    <message>
        <source>Tangents</source>
        <translation>Tangenten</translation>
    </message>
    <message>
        <source>Tangents reach as far as they are dragged. Off, they reach a third of the way, as files can hold them; others are baked</source>
        <translation>Tangenten reichen so weit, wie sie gezogen werden. Aus: sie reichen ein Drittel des Weges, wie Dateien es halten können; andere werden gebacken</translation>
    </message>
    <message>
        <source>Texture coordinates</source>
        <translation>Texturkoordinaten</translation>
    </message>
    <message>
        <source>That has the lines; empty: the only one</source>
        <translation>Die die Linien hat; leer: die einzige</translation>
    </message>
    <message>
        <source>That is the line of work: what comes in is never altered, every step says how far it moved things, and what goes out is read back. The guide goes on from here (F1).</source>
        <translation>Das ist der Weg der Arbeit: was hereinkommt, wird nie verändert, jeder Schritt sagt, wie weit er Dinge bewegt hat, und was hinausgeht, wird zurückgelesen. Das Handbuch geht von hier weiter (F1).</translation>
    </message>
    <message>
        <source>That they grow on; empty: the only one</source>
        <translation>Auf der sie wachsen; leer: die einzige</translation>
    </message>
    <message>
        <source>The add-on is in %1/addons/wembrix_live. Switch it on in the project's settings, under Plugins.</source>
        <translation>Die Erweiterung liegt in %1/addons/wembrix_live. Schalten Sie sie in den Projekteinstellungen ein, unter Plugins.</translation>
    </message>
    <message>
        <source>The axis along the bone</source>
        <translation>Die Achse entlang dem Knochen</translation>
    </message>
    <message>
        <source>The axis it looks along now; a guess is made from the joints that say their side</source>
        <translation>Die Achse, entlang der sie jetzt schaut; eine Vermutung kommt von den Gelenken, die ihre Seite sagen</translation>
    </message>
    <message>
        <source>The axis of a joint along its bone</source>
        <translation>Die Achse eines Gelenks entlang seinem Knochen</translation>
    </message>
    <message>
        <source>The chains of the plan. Click a number of joints, of twist joints, or the names to change them; 0 joints takes the chain away</source>
        <translation>Die Ketten des Plans. Klicken Sie auf eine Zahl von Gelenken, von Drehgelenken oder auf die Namen, um sie zu ändern; 0 Gelenke nimmt die Kette weg</translation>
    </message>
    <message>
        <source>The character lies: its up is along {}</source>
        <translation>Die Figur liegt: ihr Oben zeigt entlang {}</translation>
    </message>
    <message>
        <source>The character looks along {}</source>
        <translation>Die Figur schaut entlang {}</translation>
    </message>
    <message>
        <source>The chosen guide goes to the middle of the limb around it: rays through the surface, both ways, find it</source>
        <translation>Der gewählte Leitpunkt rückt in die Mitte des Körperteils um ihn: Strahlen durch die Oberfläche, in beide Richtungen, finden sie</translation>
    </message>
    <message>
        <source>The chosen guide point, here or by a click in the view</source>
        <translation>Der gewählte Leitpunkt, hier oder durch einen Klick in der Ansicht</translation>
    </message>
    <message>
        <source>The chosen hull does not go out</source>
        <translation>Die gewählte Hülle geht nicht hinaus</translation>
    </message>
    <message>
        <source>The chosen joint's way, a dot a frame; its keys on it can be dragged</source>
        <translation>Der Weg des gewählten Gelenks, ein Punkt je Bild; seine Schlüssel darauf lassen sich ziehen</translation>
    </message>
    <message>
        <source>The chosen keys (Delete)</source>
        <translation>Die gewählten Schlüssel (Entf)</translation>
    </message>
    <message>
        <source>The chosen ones</source>
        <translation>Die gewählten</translation>
    </message>
    <message>
        <source>The chosen ones about the normal at their roots</source>
        <translation>Die gewählten um die Normale an ihrer Wurzel</translation>
    </message>
    <message>
        <source>The chosen ones once more on the other side</source>
        <translation>Die gewählten noch einmal auf der anderen Seite</translation>
    </message>
    <message>
        <source>The clip in whose pose it was sculpted</source>
        <translation>Der Clip, in dessen Pose modelliert wurde</translation>
    </message>
    <message>
        <source>The clip that both panes show; the received take is shown at the same moment</source>
        <translation>Der Clip, den beide Ansichten zeigen; die empfangene Aufnahme wird im selben Moment gezeigt</translation>
    </message>
    <message>
        <source>The clip that is keyed</source>
        <translation>Der Clip, der Schlüssel bekommt</translation>
    </message>
    <message>
        <source>The clip that the pose is of; each its own where it is not set</source>
        <translation>Der Clip, aus dem die Pose ist; jeder der eigene, wo nichts gesetzt ist</translation>
    </message>
    <message>
        <source>The clip was renamed, split or left behind after the cache was asked for.</source>
        <translation>Der Clip wurde umbenannt, geteilt oder zurückgelassen, nachdem der Cache verlangt war.</translation>
    </message>
    <message>
        <source>The clips that are there before this step</source>
        <translation>Die Clips, die es vor diesem Schritt gibt</translation>
    </message>
    <message>
        <source>The clips that go out</source>
        <translation>Die Clips, die hinausgehen</translation>
    </message>
    <message>
        <source>The curves shown, outside their keys: held at the last value, repeated, or repeated and going on from where each round ended</source>
        <translation>Die gezeigten Kurven außerhalb ihrer Schlüssel: auf dem letzten Wert gehalten, wiederholt, oder wiederholt und dort weiter, wo jede Runde endete</translation>
    </message>
    <message>
        <source>The demo job could not be made in %1.</source>
        <translation>Der Beispielauftrag ließ sich in %1 nicht anlegen.</translation>
    </message>
    <message>
        <source>The drawn picture again</source>
        <translation>Wieder das gezeichnete Bild</translation>
    </message>
    <message>
        <source>The earliest is at {:.3f} s; readers clip or shift such keys, each its own way.</source>
        <translation>Der früheste liegt bei {:.3f} s; Leser schneiden oder verschieben solche Schlüssel, jeder auf seine Weise.</translation>
    </message>
    <message>
        <source>The fewest</source>
        <translation>Die wenigsten</translation>
    </message>
    <message>
        <source>The file is broken.</source>
        <translation>Die Datei ist fehlerhaft.</translation>
    </message>
    <message>
        <source>The file of a take that was made on another body</source>
        <translation>Die Datei einer Aufnahme, die an einem anderen Körper entstand</translation>
    </message>
    <message>
        <source>The first frame at which the layer counts</source>
        <translation>Das erste Bild, bei dem die Ebene zählt</translation>
    </message>
    <message>
        <source>The folder of the engine's project</source>
        <translation>Der Ordner des Engine-Projekts</translation>
    </message>
    <message>
        <source>The folder that all machines see</source>
        <translation>Der Ordner, den alle Rechner sehen</translation>
    </message>
    <message>
        <source>The folder that it comes into</source>
        <translation>Der Ordner, in den es kommt</translation>
    </message>
    <message>
        <source>The frame near its end whose pose is nearest to the first</source>
        <translation>Das Bild nahe seinem Ende, dessen Pose der ersten am nächsten ist</translation>
    </message>
    <message>
        <source>The game meets simple solids, not the surface: they are made here, fit it, and go out with it.</source>
        <translation>Das Spiel trifft auf einfache Körper, nicht auf die Oberfläche: sie entstehen hier, passen ihr, und gehen mit ihr hinaus.</translation>
    </message>
    <message>
        <source>The heaviest</source>
        <translation>Die schwersten</translation>
    </message>
    <message>
        <source>The heaviest, or those, with weights fitted anew, by which the surface moves least over all clips</source>
        <translation>Die schwersten, oder die, mit neu angepassten Gewichten, durch die sich die Oberfläche über alle Clips am wenigsten bewegt</translation>
    </message>
    <message>
        <source>The joint above, the one named, or for each vertex the nearest bone</source>
        <translation>Das Gelenk darüber, das genannte, oder für jeden Punkt der nächste Knochen</translation>
    </message>
    <message>
        <source>The joint it follows</source>
        <translation>Das Gelenk, dem er folgt</translation>
    </message>
    <message>
        <source>The joint it hangs on</source>
        <translation>Das Gelenk, an dem es hängt</translation>
    </message>
    <message>
        <source>The joint that takes the weights, else the nearest one above that stays</source>
        <translation>Das Gelenk, das die Gewichte nimmt, sonst das nächste darüber, das bleibt</translation>
    </message>
    <message>
        <source>The joint whose trajectory it is; else the first below the root that carries the others</source>
        <translation>Das Gelenk, dessen Weg es ist; sonst das erste unter der Wurzel, das die anderen trägt</translation>
    </message>
    <message>
        <source>The joints of what came in, and what became of each, stand here.</source>
        <translation>Die Gelenke dessen, was hereinkam, und was aus jedem wurde, stehen hier.</translation>
    </message>
    <message>
        <source>The joints that are chosen in the view are the feet: hands on a wall, a tail, a stick</source>
        <translation>Die in der Ansicht gewählten Gelenke sind die Füße: Hände an einer Wand, ein Schwanz, ein Stock</translation>
    </message>
    <message>
        <source>The joints that stand on the ground at rest</source>
        <translation>Die Gelenke, die in der Ruhe am Boden stehen</translation>
    </message>
    <message>
        <source>The last frame at which the layer counts</source>
        <translation>Das letzte Bild, bei dem die Ebene zählt</translation>
    </message>
    <message>
        <source>The layer of keys that is worked on; a layer is a step of the route card</source>
        <translation>Die Ebene von Schlüsseln, an der gearbeitet wird; eine Ebene ist ein Schritt der Laufkarte</translation>
    </message>
    <message>
        <source>The left state drawn over the right one</source>
        <translation>Der linke Zustand über den rechten gezeichnet</translation>
    </message>
    <message>
        <source>The list below, or the letters of the materials' names</source>
        <translation>Die Liste unten, oder die Buchstaben der Materialnamen</translation>
    </message>
    <message>
        <source>The list below, or the letters of their names</source>
        <translation>Die Liste unten, oder die Buchstaben ihrer Namen</translation>
    </message>
    <message>
        <source>The lowest point is {:.3g} mm {} the ground</source>
        <translation>Der tiefste Punkt liegt {:.3g} mm {} dem Boden</translation>
    </message>
    <message>
        <source>The model is {:.3g} times as large as the body of “{}”</source>
        <translation>Das Modell ist {:.3g}-mal so groß wie der Körper von „{}“</translation>
    </message>
    <message>
        <source>The model is {:.3g} times smaller than the body of “{}”</source>
        <translation>Das Modell ist {:.3g}-mal kleiner als der Körper von „{}“</translation>
    </message>
    <message>
        <source>The nearest bone of each branch; heat along the surface from the bones it sees; the way through the volume, for surfaces that are open, overlap or come in pieces</source>
        <translation>Der nächste Knochen jedes Zweiges; Wärme entlang der Oberfläche von den Knochen, die sie sieht; der Weg durch das Volumen, für Oberflächen, die offen sind, sich überlappen oder aus Stücken bestehen</translation>
    </message>
    <message>
        <source>The new job's files</source>
        <translation>Die Dateien des neuen Auftrags</translation>
    </message>
    <message>
        <source>The one joint at the top. A file with another root is held.</source>
        <translation>Das eine Gelenk ganz oben. Eine Datei mit einer anderen Wurzel wird angehalten.</translation>
    </message>
    <message>
        <source>The one joint without a parent is called {}.</source>
        <translation>Das eine Gelenk ohne Übergeordnetes heißt {}.</translation>
    </message>
    <message>
        <source>The one that gets the shape; empty: the only one that could</source>
        <translation>Die, die die Form bekommt; leer: die einzige, die es könnte</translation>
    </message>
    <message>
        <source>The one that takes over, of “to: joint”</source>
        <translation>Das übernehmende, bei „to: joint“</translation>
    </message>
    <message>
        <source>The other side gets the same</source>
        <translation>Die andere Seite bekommt dasselbe</translation>
    </message>
    <message>
        <source>The other side gets the same, for the joint that answers this one there</source>
        <translation>Die andere Seite bekommt dasselbe, für das Gelenk, das diesem dort entspricht</translation>
    </message>
    <message>
        <source>The picture that goes with it</source>
        <translation>Das Bild, das dazugehört</translation>
    </message>
    <message>
        <source>The plane between left and right; not set: as the surface says</source>
        <translation>Die Ebene zwischen links und rechts; nicht gesetzt: wie die Oberfläche es sagt</translation>
    </message>
    <message>
        <source>The plane that they are mirrored at</source>
        <translation>Die Ebene, an der gespiegelt wird</translation>
    </message>
    <message>
        <source>The pose it was bound in, a frame of a clip, or a stored pose. What a clip left to the rest pose is keyed at what it was</source>
        <translation>Die Pose, in der gebunden wurde, ein Bild eines Clips, oder eine gemerkte Pose. Was ein Clip der Ruhepose überließ, bekommt Schlüssel mit dem, was es war</translation>
    </message>
    <message>
        <source>The pose left for right</source>
        <translation>Die Pose, links für rechts</translation>
    </message>
    <message>
        <source>The poses before (blue) and after (amber), as lines</source>
        <translation>Die Posen davor (blau) und danach (gelb), als Linien</translation>
    </message>
    <message>
        <source>The rest pose is not the pose it was bound in ({})</source>
        <translation>Die Ruhepose ist nicht die Pose, in der gebunden wurde ({})</translation>
    </message>
    <message>
        <source>The root takes it, or it is taken out and the clip plays in place</source>
        <translation>Die Wurzel nimmt ihn, oder er wird herausgenommen und der Clip spielt auf der Stelle</translation>
    </message>
    <message>
        <source>The root “{}” has weights on {}</source>
        <translation>Die Wurzel „{}“ hat Gewichte auf: {}</translation>
    </message>
    <message>
        <source>The route card is being replayed; paint when it is done.</source>
        <translation>Die Laufkarte wird nachgespielt; malen Sie, wenn sie fertig ist.</translation>
    </message>
    <message>
        <source>The route card removes it: it is in Received only.</source>
        <translation>Die Laufkarte entfernt es: es ist nur im Empfangenen.</translation>
    </message>
    <message>
        <source>The route card says {}.</source>
        <translation>Die Laufkarte sagt {}.</translation>
    </message>
    <message>
        <source>The route card was replayed; every step still fits.</source>
        <translation>Die Laufkarte wurde nachgespielt; jeder Schritt passt noch.</translation>
    </message>
    <message>
        <source>The same for files and folders of a delivery, without the suffix.</source>
        <translation>Dasselbe für Dateien und Ordner einer Lieferung, ohne die Endung.</translation>
    </message>
    <message>
        <source>The same for materials.</source>
        <translation>Dasselbe für Materialien.</translation>
    </message>
    <message>
        <source>The same for shapes.</source>
        <translation>Dasselbe für Formen.</translation>
    </message>
    <message>
        <source>The same for surfaces.</source>
        <translation>Dasselbe für Oberflächen.</translation>
    </message>
    <message>
        <source>The same frames under two names are delivered, stored and loaded twice.</source>
        <translation>Dieselben Bilder unter zwei Namen werden zweimal ausgeliefert, gespeichert und geladen.</translation>
    </message>
    <message>
        <source>The same motion, slower or quicker: by a factor, or to a length.</source>
        <translation>Dieselbe Bewegung, langsamer oder schneller: um einen Faktor, oder auf eine Länge.</translation>
    </message>
    <message>
        <source>The second axis</source>
        <translation>Die zweite Achse</translation>
    </message>
    <message>
        <source>The side that is right</source>
        <translation>Die Seite, die richtig ist</translation>
    </message>
    <message>
        <source>The skeleton differs from the contract “{}” in {} thing{}</source>
        <translation>Das Skelett weicht vom Vertrag „{}“ ab, Stellen: {}</translation>
    </message>
    <message>
        <source>The skeleton is </source>
        <translation>Das Skelett ist </translation>
    </message>
    <message>
        <source>The skeleton's: its surfaces follow</source>
        <translation>Die des Skeletts: seine Oberflächen folgen</translation>
    </message>
    <message>
        <source>The source names these ranges itself: %1. What is cut now is replaced</source>
        <translation>Die Quelle benennt diese Bereiche selbst: %1. Was jetzt geschnitten ist, wird ersetzt</translation>
    </message>
    <message>
        <source>The source whose surface it is, as it was read; empty: here</source>
        <translation>Die Quelle, deren Oberfläche es ist, wie sie gelesen wurde; leer: hier</translation>
    </message>
    <message>
        <source>The sources that hold takes</source>
        <translation>Die Quellen, die Aufnahmen enthalten</translation>
    </message>
    <message>
        <source>The strands grow on the chosen faces</source>
        <translation>Die Strähnen wachsen auf den gewählten Flächen</translation>
    </message>
    <message>
        <source>The strands that are worked on; while new ones are begun, what they are to be called</source>
        <translation>Die Strähnen, an denen gearbeitet wird; solange neue begonnen werden, wie sie heißen sollen</translation>
    </message>
    <message>
        <source>The surface is being measured…</source>
        <translation>Die Oberfläche wird vermessen …</translation>
    </message>
    <message>
        <source>The surface that has the weights</source>
        <translation>Die Oberfläche, die die Gewichte hat</translation>
    </message>
    <message>
        <source>The surface that was painted</source>
        <translation>Die Oberfläche, die gemalt wurde</translation>
    </message>
    <message>
        <source>The surface's where the card grows, for all of it; or those of the surface nearest along it</source>
        <translation>Die der Oberfläche, wo die Karte wächst, für sie ganz; oder die der Oberfläche, die ihr jeweils am nächsten ist</translation>
    </message>
    <message>
        <source>The surface's where the strand grows, for all of it; or those of the surface nearest along it</source>
        <translation>Die der Oberfläche, wo die Strähne wächst, für sie ganz; oder die der Oberfläche, die ihr jeweils am nächsten ist</translation>
    </message>
    <message>
        <source>The take that is cut</source>
        <translation>Die Aufnahme, die geschnitten wird</translation>
    </message>
    <message>
        <source>The take that is cut: %1</source>
        <translation>Die Aufnahme, die geschnitten wird: %1</translation>
    </message>
    <message>
        <source>The take's lengths times this are the skeleton's; empty: as the lengths of the bones say</source>
        <translation>Die Längen der Aufnahme mal dies sind die des Skeletts; leer: wie die Knochenlängen es sagen</translation>
    </message>
    <message>
        <source>The team has a newer one: revision %1, this is from %2.</source>
        <translation>Das Team hat ein neueres: Fassung %1, dieses ist aus %2.</translation>
    </message>
    <message>
        <source>The team's folder</source>
        <translation>Der Ordner des Teams</translation>
    </message>
    <message>
        <source>The team's: %1</source>
        <translation>Vom Team: %1</translation>
    </message>
    <message>
        <source>The trajectory of the pelvis becomes the root's, or is taken out</source>
        <translation>Der Weg des Beckens wird zu dem der Wurzel, oder wird herausgenommen</translation>
    </message>
    <message>
        <source>The tree that the project's other characters have lets them share motion.</source>
        <translation>Der Baum, den die anderen Figuren des Projekts haben, lässt sie Bewegung teilen.</translation>
    </message>
    <message>
        <source>The two states side by side</source>
        <translation>Die beiden Zustände nebeneinander</translation>
    </message>
    <message>
        <source>The two tangents of a key are dragged each for itself: a corner. Off, both get one slope</source>
        <translation>Die beiden Tangenten eines Schlüssels werden jede für sich gezogen: eine Ecke. Aus: beide haben eine Steigung</translation>
    </message>
    <message>
        <source>The vertices that it was painted on</source>
        <translation>Die Punkte, auf denen gemalt wurde</translation>
    </message>
    <message>
        <source>The weight from which a vertex counts as a joint's</source>
        <translation>Das Gewicht, ab dem ein Punkt als eines Gelenks zählt</translation>
    </message>
    <message>
        <source>Their names; * and ? stand for any letters; empty: all</source>
        <translation>Ihre Namen; * und ? stehen für beliebige Zeichen; leer: alle</translation>
    </message>
    <message>
        <source>Then about Y</source>
        <translation>Dann um Y</translation>
    </message>
    <message>
        <source>Then about Z</source>
        <translation>Dann um Z</translation>
    </message>
    <message>
        <source>There is a clip “%1” already: nothing was changed.</source>
        <translation>Es gibt schon einen Clip „%1“: nichts wurde geändert.</translation>
    </message>
    <message>
        <source>There is a skeleton of %1 joints already. To build another one, leave it behind first: “Leave behind” with its root.</source>
        <translation>Es gibt schon ein Skelett mit %1 Gelenken. Um ein anderes zu bauen, lassen Sie es zuerst zurück: „Zurücklassen“ mit seiner Wurzel.</translation>
    </message>
    <message>
        <source>There is a {} now, and it stands still.</source>
        <translation>Jetzt gibt es hier {}, und es steht still.</translation>
    </message>
    <message>
        <source>There is no file that is read. %1</source>
        <translation>Keine der Dateien wird gelesen. %1</translation>
    </message>
    <message>
        <source>There is no take to cut.</source>
        <translation>Es gibt keine Aufnahme zu schneiden.</translation>
    </message>
    <message>
        <source>There is no take “%1”: nothing was read.</source>
        <translation>Es gibt keine Aufnahme „%1“: nichts wurde gelesen.</translation>
    </message>
    <message>
        <source>There is no {}: what stands below it goes its way.</source>
        <translation>{} gibt es nicht: was darunter steht, geht dessen Weg.</translation>
    </message>
    <message>
        <source>They begin {:.2f} m from “{}” in the mean; brought to size they would lie {:.1f} mm from it.</source>
        <translation>Sie beginnen im Mittel {:.2f} m von „{}“; auf Größe gebracht lägen sie {:.1f} mm davon.</translation>
    </message>
    <message>
        <source>They do not know which face they grow on: an engine cannot tie them to the body.</source>
        <translation>Sie wissen nicht, auf welcher Fläche sie wachsen: eine Engine kann sie nicht an den Körper binden.</translation>
    </message>
    <message>
        <source>They go with the bone that is nearest, whatever lies between.</source>
        <translation>Sie gehen mit dem nächsten Knochen, was auch dazwischen liegt.</translation>
    </message>
    <message>
        <source>They lie at the same position as others and have other weights, by up to {:.2f} (vertex {}).</source>
        <translation>Sie liegen an derselben Stelle wie andere und haben andere Gewichte, um bis zu {:.2f} (Punkt {}).</translation>
    </message>
    <message>
        <source>They point the other way as well</source>
        <translation>Sie zeigen ebenfalls in die andere Richtung</translation>
    </message>
    <message>
        <source>They stay behind at the origin of the surface when the character moves.</source>
        <translation>Sie bleiben am Ursprung der Oberfläche zurück, wenn sich die Figur bewegt.</translation>
    </message>
    <message>
        <source>They sum to {:.3g} to {:.3g} on {}; an engine that takes them as they are pulls the surface towards the origin.</source>
        <translation>Sie ergeben {:.3g} bis {:.3g} auf {}; eine Engine, die sie nimmt, wie sie sind, zieht die Oberfläche zum Ursprung.</translation>
    </message>
    <message>
        <source>This build has no page: npm was not there when it was made</source>
        <translation>Dieser Bau hat keine Seite: npm war nicht da, als er gemacht wurde</translation>
    </message>
    <message>
        <source>This job's skeleton</source>
        <translation>Das Skelett dieses Auftrags</translation>
    </message>
    <message>
        <source>This list as CSV or JSON, for a sheet or for another job</source>
        <translation>Diese Liste als CSV oder JSON, für eine Tabelle oder einen anderen Auftrag</translation>
    </message>
    <message>
        <source>This machine gives it no port to listen on: %1</source>
        <translation>Dieser Rechner gibt ihm keinen Port zum Zuhören: %1</translation>
    </message>
    <message>
        <source>This step has nothing to set.</source>
        <translation>An diesem Schritt gibt es nichts einzustellen.</translation>
    </message>
    <message>
        <source>This take does not know the chosen joint.</source>
        <translation>Diese Aufnahme kennt das gewählte Gelenk nicht.</translation>
    </message>
    <message>
        <source>Those of one side; each gives the one of the same name with the other side's word</source>
        <translation>Die einer Seite; jede gibt die desselben Namens mit dem Wort der anderen Seite</translation>
    </message>
    <message>
        <source>Those: %1</source>
        <translation>Nur: %1</translation>
    </message>
    <message>
        <source>Through the surface</source>
        <translation>Durch die Oberfläche</translation>
    </message>
    <message>
        <source>Thumbnails (px)</source>
        <translation>Vorschaubilder (px)</translation>
    </message>
    <message>
        <source>Tick a clip that repeats</source>
        <translation>Haken Sie einen Clip an, der sich wiederholt</translation>
    </message>
    <message>
        <source>Ticked, it is delivered as a file of its own. Double-click for another colour.</source>
        <translation>Mit Häkchen wird er als eigene Datei ausgeliefert. Ein Doppelklick gibt ihm eine andere Farbe.</translation>
    </message>
    <message>
        <source>Tidewater runtime</source>
        <translation>Tidewater runtime</translation>
    </message>
    <message>
        <source>Times as far</source>
        <translation>So vielmal so weit</translation>
    </message>
    <message>
        <source>Times as large; either this or the height</source>
        <translation>So vielmal so groß; entweder dies oder die Größe</translation>
    </message>
    <message>
        <source>Times as long; either this or the seconds</source>
        <translation>So vielmal so lang; entweder dies oder die Sekunden</translation>
    </message>
    <message>
        <source>Times as wide as the strands of a card lie apart</source>
        <translation>So vielmal so breit, wie die Strähnen einer Karte auseinanderliegen</translation>
    </message>
    <message>
        <source>Times the guides'</source>
        <translation>Mal die der Leitkurven</translation>
    </message>
    <message>
        <source>Times their size, about the origin</source>
        <translation>Mal ihre Größe, um den Ursprung</translation>
    </message>
    <message>
        <source>Tips</source>
        <translation>Spitzen</translation>
    </message>
    <message>
        <source>To</source>
        <translation>An</translation>
    </message>
    <message>
        <source>To a pose of</source>
        <translation>Zu einer Pose von</translation>
    </message>
    <message>
        <source>To the material</source>
        <translation>Zum Material</translation>
    </message>
    <message>
        <source>To the middle</source>
        <translation>In die Mitte</translation>
    </message>
    <message>
        <source>Token of the left side</source>
        <translation>Zeichen der linken Seite</translation>
    </message>
    <message>
        <source>Token of the right side</source>
        <translation>Zeichen der rechten Seite</translation>
    </message>
    <message>
        <source>Told by</source>
        <translation>Erkannt an</translation>
    </message>
    <message>
        <source>Told from this: {} ({}). Up is +Y here; its height and its front are another axis's.</source>
        <translation>Erkannt daran: {} ({}). Oben ist hier +Y; ihre Größe und ihr Vorn sind die einer anderen Achse.</translation>
    </message>
    <message>
        <source>Told from {} ({}). An engine moves it along +Z: it would walk sideways or backwards.</source>
        <translation>Erkannt an {} ({}). Eine Engine bewegt sie entlang +Z: sie ginge seitwärts oder rückwärts.</translation>
    </message>
    <message>
        <source>Tolerance</source>
        <translation>Toleranz</translation>
    </message>
    <message>
        <source>Took</source>
        <translation>Dauer</translation>
    </message>
    <message>
        <source>Top</source>
        <translation>Oben</translation>
    </message>
    <message>
        <source>Trajectory</source>
        <translation>Bahn</translation>
    </message>
    <message>
        <source>Transfer weights</source>
        <translation>Gewichte übertragen</translation>
    </message>
    <message>
        <source>Transfer…</source>
        <translation>Abgeben …</translation>
    </message>
    <message>
        <source>Translation</source>
        <translation>Verschiebung</translation>
    </message>
    <message>
        <source>Travel</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>Triangles</source>
        <translation>Dreiecke</translation>
    </message>
    <message>
        <source>Triangles at most</source>
        <translation>Dreiecke höchstens</translation>
    </message>
    <message>
        <source>Triangulate</source>
        <translation>In Dreiecke teilen</translation>
    </message>
    <message>
        <source>Tries</source>
        <translation>Versuche</translation>
    </message>
    <message>
        <source>Trying it out…</source>
        <translation>Wird ausprobiert …</translation>
    </message>
    <message>
        <source>Turn</source>
        <translation>Drehen</translation>
    </message>
    <message>
        <source>Turn %1 at frame %2</source>
        <translation>%1 bei Bild %2 drehen</translation>
    </message>
    <message>
        <source>Turn +15°</source>
        <translation>Drehen +15°</translation>
    </message>
    <message>
        <source>Turn guides</source>
        <translation>Leitkurven drehen</translation>
    </message>
    <message>
        <source>Turn it upright first.</source>
        <translation>Drehen Sie sie zuerst aufrecht.</translation>
    </message>
    <message>
        <source>Turn −15°</source>
        <translation>Drehen −15°</translation>
    </message>
    <message>
        <source>Turned away: %1 (%2)</source>
        <translation>Abgewiesen: %1 (%2)</translation>
    </message>
    <message>
        <source>Turns</source>
        <translation>Windungen</translation>
    </message>
    <message>
        <source>Turns the light around</source>
        <translation>Dreht das Licht ringsum</translation>
    </message>
    <message>
        <source>Twist joints of %1: %2</source>
        <translation>Drehgelenke von %1: %2</translation>
    </message>
    <message>
        <source>Twists</source>
        <translation>Drehgelenke</translation>
    </message>
    <message>
        <source>Two states side &amp;by side</source>
        <translation>Zwei Zustände ne&amp;beneinander</translation>
    </message>
    <message>
        <source>Two states side by side</source>
        <translation>Zwei Zustände nebeneinander</translation>
    </message>
    <message>
        <source>Type a weight: the other joints that hold the vertex make room for it</source>
        <translation>Tippen Sie ein Gewicht: die anderen Gelenke, die den Punkt halten, machen Platz dafür</translation>
    </message>
    <message>
        <source>Type weight of %1</source>
        <translation>Gewicht von %1 tippen</translation>
    </message>
    <message>
        <source>USD as text</source>
        <translation>USD als Text</translation>
    </message>
    <message>
        <source>USD, one binary file</source>
        <translation>USD, eine binäre Datei</translation>
    </message>
    <message>
        <source>Under</source>
        <translation>Unter</translation>
    </message>
    <message>
        <source>Unfold the route card</source>
        <translation>Die Laufkarte ausklappen</translation>
    </message>
    <message>
        <source>Unit (m)</source>
        <translation>Einheit (m)</translation>
    </message>
    <message>
        <source>Unit it reads (m)</source>
        <translation>Einheit, in der sie liest (m)</translation>
    </message>
    <message>
        <source>Unweighted</source>
        <translation>Ohne Gewichte</translation>
    </message>
    <message>
        <source>Up axis</source>
        <translation>Achse nach oben</translation>
    </message>
    <message>
        <source>Use "factor".</source>
        <translation>Benutzen Sie „factor“.</translation>
    </message>
    <message>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>Value of keys</source>
        <translation>Wert von Schlüsseln</translation>
    </message>
    <message>
        <source>Values of strands</source>
        <translation>Werte der Strähnen</translation>
    </message>
    <message>
        <source>Values of the surface that say how densely, 0 to 1: the first of COLOR_0, or one's own; empty: evenly</source>
        <translation>Werte der Oberfläche, die sagen, wie dicht, 0 bis 1: der erste von COLOR_0, oder ein eigener; leer: gleichmäßig</translation>
    </message>
    <message>
        <source>Variant</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>Vertex %1 of %2</source>
        <translation>Punkt %1 von %2</translation>
    </message>
    <message>
        <source>Vertex colours</source>
        <translation>Farben der Punkte</translation>
    </message>
    <message>
        <source>Vertices</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>Vertices by their number of influences</source>
        <translation>Punkte nach ihrer Zahl von Einflüssen</translation>
    </message>
    <message>
        <source>Vertices that keep theirs</source>
        <translation>Punkte, die ihre behalten</translation>
    </message>
    <message>
        <source>Vertices that no face uses have no place in such a file; weld or remove them.</source>
        <translation>Punkte, die keine Fläche benutzt, haben in einer solchen Datei keinen Platz; verschmelzen oder entfernen Sie sie.</translation>
    </message>
    <message>
        <source>Vertices with nothing nearer keep what they have</source>
        <translation>Punkte, denen nichts näher ist, behalten, was sie haben</translation>
    </message>
    <message>
        <source>View of %1</source>
        <translation>Ansicht: %1</translation>
    </message>
    <message>
        <source>View of what arrived</source>
        <translation>Ansicht des Angekommenen</translation>
    </message>
    <message>
        <source>View of what was prepared</source>
        <translation>Ansicht des Vorbereiteten</translation>
    </message>
    <message>
        <source>WebP</source>
        <translation>WebP</translation>
    </message>
    <message>
        <source>Weight</source>
        <translation>Gewicht</translation>
    </message>
    <message>
        <source>Weight on</source>
        <translation>Gewicht auf</translation>
    </message>
    <message>
        <source>Weighted</source>
        <translation>Gewichtet</translation>
    </message>
    <message>
        <source>Weights</source>
        <translation>Gewichte</translation>
    </message>
    <message>
        <source>Weights and keys</source>
        <translation>Gewichte und Schlüssel</translation>
    </message>
    <message>
        <source>Weights go as one over the distance to this power: more is harder. Heat has its own</source>
        <translation>Gewichte gehen wie eins durch die Entfernung hoch dies: mehr ist härter. Wärme hat ihr eigenes</translation>
    </message>
    <message>
        <source>Weights of</source>
        <translation>Gewichte von</translation>
    </message>
    <message>
        <source>Weights of {} do not sum to 1</source>
        <translation>Gewichte, deren Summe nicht 1 ist: {}</translation>
    </message>
    <message>
        <source>Weights on the left and right of “{}” differ</source>
        <translation>Gewichte links und rechts auf „{}“ sind verschieden</translation>
    </message>
    <message>
        <source>Weights that are too small to see cost an engine as much as large ones; strays tear at far-off vertices.</source>
        <translation>Gewichte, die zu klein sind, um sie zu sehen, kosten eine Engine so viel wie große; verstreute reißen an fernen Punkten.</translation>
    </message>
    <message>
        <source>Weights to</source>
        <translation>Gewichte an</translation>
    </message>
    <message>
        <source>Weights under this go; the heaviest of a vertex stays</source>
        <translation>Gewichte darunter gehen; das schwerste eines Punktes bleibt</translation>
    </message>
    <message>
        <source>Weld vertices</source>
        <translation>Punkte verschmelzen</translation>
    </message>
    <message>
        <source>Wembrix</source>
        <translation>Wembrix</translation>
    </message>
    <message>
        <source>Wembrix ended unexpectedly. “%1” had changes that were not saved; they were kept at %2.</source>
        <translation>Wembrix endete unerwartet. „%1“ hatte ungespeicherte Änderungen; ihr Stand von %2 ist erhalten.</translation>
    </message>
    <message>
        <source>Wembrix jobs (*.wembrix)</source>
        <translation>Wembrix-Aufträge (*.wembrix)</translation>
    </message>
    <message>
        <source>Wembrix reads {} and {}.</source>
        <translation>Wembrix liest {} und {}.</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>What %1 says that it made of the file</source>
        <translation>Was %1 nach eigener Auskunft aus der Datei machte</translation>
    </message>
    <message>
        <source>What a joint of the take is called on the skeleton, where names differ</source>
        <translation>Wie ein Gelenk der Aufnahme auf dem Skelett heißt, wo Namen verschieden sind</translation>
    </message>
    <message>
        <source>What a mask lets through is below it</source>
        <translation>Was eine Maske durchlässt, liegt darunter</translation>
    </message>
    <message>
        <source>What baking at the destination's rate loses between its frames</source>
        <translation>Was das Backen mit der Rate des Ziels zwischen seinen Bildern verliert</translation>
    </message>
    <message>
        <source>What became of each joint; names and who stays</source>
        <translation>Was aus jedem Gelenk wurde; Namen, und wer bleibt</translation>
    </message>
    <message>
        <source>What becomes of scale that moves: into the positions of the joints below (what is lost is named by joint and frame), or keys around 1</source>
        <translation>Was aus bewegter Skalierung wird: in die Orte der Gelenke darunter (was verloren geht, wird mit Gelenk und Bild genannt), oder Schlüssel um 1</translation>
    </message>
    <message>
        <source>What came in</source>
        <translation>Was hereinkam</translation>
    </message>
    <message>
        <source>What came in, and what became of each joint</source>
        <translation>Was hereinkam, und was aus jedem Gelenk wurde</translation>
    </message>
    <message>
        <source>What came in, what goes out</source>
        <translation>Was hereinkam, was hinausgeht</translation>
    </message>
    <message>
        <source>What can be made of this shape</source>
        <translation>Was aus dieser Form gemacht werden kann</translation>
    </message>
    <message>
        <source>What does not move</source>
        <translation>Was sich nicht bewegt</translation>
    </message>
    <message>
        <source>What dragging does to the chosen joint. Turning, the joint itself pulls the two bones above it, and the square on the joint between them swings it</source>
        <translation>Was Ziehen mit dem gewählten Gelenk tut. Beim Drehen zieht das Gelenk selbst die beiden Knochen darüber, und das Quadrat am Gelenk dazwischen schwenkt sie</translation>
    </message>
    <message>
        <source>What each engine project expects of the files it is given. They are kept in the job; in your library they are at hand for the next one.</source>
        <translation>Was jedes Engine-Projekt von seinen Dateien erwartet. Ziele stehen im Auftrag; in Ihrer Bibliothek sind sie für den nächsten zur Hand.</translation>
    </message>
    <message>
        <source>What each stroke left, one array a stroke</source>
        <translation>Was jeder Strich hinterließ, ein Feld je Strich</translation>
    </message>
    <message>
        <source>What else can become of the chosen clips; Ctrl or Shift with a click chooses several</source>
        <translation>Was aus den gewählten Clips sonst werden kann; Strg oder Umschalt mit einem Klick wählt mehrere</translation>
    </message>
    <message>
        <source>What files are written as. What it cannot hold stays behind and is listed.</source>
        <translation>Worin Dateien geschrieben werden. Was es nicht fassen kann, bleibt zurück und wird aufgezählt.</translation>
    </message>
    <message>
        <source>What fits by measure is not always what plays best: here a hull is moved, turned and resized by hand.</source>
        <translation>Was nach Maß passt, spielt sich nicht immer am besten: hier wird eine Hülle von Hand verschoben, gedreht und in der Größe geändert.</translation>
    </message>
    <message>
        <source>What floats or sinks in its file floats or sinks in the game.</source>
        <translation>Was in seiner Datei schwebt oder versinkt, schwebt oder versinkt im Spiel.</translation>
    </message>
    <message>
        <source>What goes out</source>
        <translation>Was hinausgeht</translation>
    </message>
    <message>
        <source>What holds what, shapes, material slots</source>
        <translation>Was woran hängt, Formen, Materialslots</translation>
    </message>
    <message>
        <source>What is delivered as a file of its own</source>
        <translation>Was als eigene Datei ausgeliefert wird</translation>
    </message>
    <message>
        <source>What is dragged in the view is keyed at once. Off, it stands there until “Key” is pressed or the playhead moves</source>
        <translation>Was in der Ansicht gezogen wird, ist sofort gesetzt. Aus: es steht dort, bis „Setzen“ gedrückt wird oder der Abspielkopf sich bewegt</translation>
    </message>
    <message>
        <source>What is meant to be as it is goes out all the same, and the note says so on every delivery.</source>
        <translation>Was so sein soll, wie es ist, geht dennoch hinaus, und die Bemerkung sagt es bei jeder Lieferung.</translation>
    </message>
    <message>
        <source>What is put behind the name; empty: the clips themselves are mirrored</source>
        <translation>Was hinter den Namen kommt; leer: die Clips selbst werden gespiegelt</translation>
    </message>
    <message>
        <source>What is renamed</source>
        <translation>Was umbenannt wird</translation>
    </message>
    <message>
        <source>What is said of clips that steps made (joined, mirrored, a pose), as a cut says it of itself; what is left out stays as it was</source>
        <translation>Was von Clips gesagt ist, die Schritte gemacht haben (verbunden, gespiegelt, eine Pose), wie ein Schnitt es von sich sagt; was fehlt, bleibt, wie es war</translation>
    </message>
    <message>
        <source>What is set, from 0 to 1, or the factor</source>
        <translation>Was gesetzt wird, von 0 bis 1, oder der Faktor</translation>
    </message>
    <message>
        <source>What is wrong or odd in the sources will be listed here, each with the step that mends it.</source>
        <translation>Was an den Quellen falsch oder seltsam ist, steht dann hier, jedes mit dem Schritt, der es behebt.</translation>
    </message>
    <message>
        <source>What it is called</source>
        <translation>Wie er heißt</translation>
    </message>
    <message>
        <source>What it says</source>
        <translation>Was er sagt</translation>
    </message>
    <message>
        <source>What its own origin is: the node as it came, the ground under its middle, or its middle</source>
        <translation>Was der eigene Ursprung ist: der Knoten, wie er kam, der Boden unter der Mitte, oder die Mitte</translation>
    </message>
    <message>
        <source>What joints and shapes cannot carry goes out as points: where each vertex is at each frame.</source>
        <translation>Was Gelenke und Formen nicht tragen können, geht als Punkte hinaus: wo jeder Punkt an jedem Bild ist.</translation>
    </message>
    <message>
        <source>What left is to be called, with its separator</source>
        <translation>Wie links heißen soll, mit seinem Trennzeichen</translation>
    </message>
    <message>
        <source>What no take has, or has wrong, is keyed: a layer of curves over a clip that replays when the take changes.</source>
        <translation>Was keine Aufnahme hat, oder falsch hat, bekommt Schlüssel: eine Ebene von Kurven über einem Clip, die nachgespielt wird, wenn sich die Aufnahme ändert.</translation>
    </message>
    <message>
        <source>What right is to be called, with its separator</source>
        <translation>Wie rechts heißen soll, mit seinem Trennzeichen</translation>
    </message>
    <message>
        <source>What rotated or scaled the character from above becomes part of it, so that no engine can lose it.</source>
        <translation>Was die Figur von oben drehte oder skalierte, wird Teil von ihr, sodass keine Engine es verlieren kann.</translation>
    </message>
    <message>
        <source>What stands behind the name of the left one</source>
        <translation>Was hinter dem Namen der linken steht</translation>
    </message>
    <message>
        <source>What stands behind the name of the right one</source>
        <translation>Was hinter dem Namen der rechten steht</translation>
    </message>
    <message>
        <source>What stands by itself, by names with * and ?; all but the character where it is not set</source>
        <translation>Was für sich steht, nach Namen mit * und ?; alles außer der Figur, wo nichts gesetzt ist</translation>
    </message>
    <message>
        <source>What stands in its place</source>
        <translation>Was an seine Stelle tritt</translation>
    </message>
    <message>
        <source>What stands there; without a height its kind's common sizes hold</source>
        <translation>Was dort steht; ohne eine Größe gelten die üblichen seiner Art</translation>
    </message>
    <message>
        <source>What stayed behind: %1</source>
        <translation>Was zurückblieb: %1</translation>
    </message>
    <message>
        <source>What the brush does to how densely strands may grow, 0 to 1</source>
        <translation>Was der Pinsel damit tut, wie dicht Strähnen wachsen dürfen, 0 bis 1</translation>
    </message>
    <message>
        <source>What the brush does to the weight of the joint; the other joints of a vertex make room, or take what is left, so that the sum stays 1</source>
        <translation>Was der Pinsel mit dem Gewicht des Gelenks tut; die anderen Gelenke eines Punktes machen Platz oder nehmen, was bleibt, sodass die Summe 1 bleibt</translation>
    </message>
    <message>
        <source>What the contract does not have</source>
        <translation>Was der Vertrag nicht hat</translation>
    </message>
    <message>
        <source>What the engine leaves beside a file it took: {file}.import. By it the board tells whether it has taken each file. Empty: it leaves nothing, and nobody can know.</source>
        <translation>Was die Engine neben einer übernommenen Datei hinterlässt: {file}.import. Daran erkennt die Tafel, ob sie jede Datei übernommen hat. Leer: sie hinterlässt nichts, und niemand kann es wissen.</translation>
    </message>
    <message>
        <source>What the finding said; when it says something else, it stops again</source>
        <translation>Was der Befund sagte; sagt er etwas anderes, hält er wieder an</translation>
    </message>
    <message>
        <source>What the game hangs on a character needs a position of its own, with a name and no scale.</source>
        <translation>Was das Spiel an eine Figur hängt, braucht einen eigenen Ort, mit einem Namen und ohne Skalierung.</translation>
    </message>
    <message>
        <source>What the layer is called</source>
        <translation>Wie die Ebene heißt</translation>
    </message>
    <message>
        <source>What the one is called</source>
        <translation>Wie die eine heißt</translation>
    </message>
    <message>
        <source>What the pose is called</source>
        <translation>Wie die Pose heißt</translation>
    </message>
    <message>
        <source>What the project is called; the folder of its files is named for it.</source>
        <translation>Wie das Projekt heißt; der Ordner seiner Dateien wird danach benannt.</translation>
    </message>
    <message>
        <source>What the root is called</source>
        <translation>Wie die Wurzel heißt</translation>
    </message>
    <message>
        <source>What the route card makes of it stands here, seen from the same side.</source>
        <translation>Was die Laufkarte daraus macht, steht hier, von derselben Seite gesehen.</translation>
    </message>
    <message>
        <source>What the shape is called; one of that name is replaced, its keys stay</source>
        <translation>Wie die Form heißt; eine dieses Namens wird ersetzt, ihre Schlüssel bleiben</translation>
    </message>
    <message>
        <source>What the sources hold stands here.</source>
        <translation>Was die Quellen enthalten, steht hier.</translation>
    </message>
    <message>
        <source>What the strands are called</source>
        <translation>Wie die Strähnen heißen</translation>
    </message>
    <message>
        <source>What the strip draws over the take: how much moves, or one joint's motion as it was received and as it is prepared, with its keys</source>
        <translation>Was der Streifen über die Aufnahme zeichnet: wie viel sich bewegt, oder die Bewegung eines Gelenks, wie sie empfangen wurde und wie sie vorbereitet ist, mit ihren Schlüsseln</translation>
    </message>
    <message>
        <source>What the surface is called; the first one's name where it is not set</source>
        <translation>Wie die Oberfläche heißt; der Name der ersten, wo nichts gesetzt ist</translation>
    </message>
    <message>
        <source>What there is</source>
        <translation>Was da ist</translation>
    </message>
    <message>
        <source>What they are called; empty: as the surface</source>
        <translation>Wie sie heißen; leer: wie die Oberfläche</translation>
    </message>
    <message>
        <source>What they go out in, each in a file of its own: strands at rest, and every point at each frame.</source>
        <translation>Worin sie hinausgehen, jedes in einer eigenen Datei: Strähnen in Ruhe, und jeder Punkt an jedem Bild.</translation>
    </message>
    <message>
        <source>What was captured in pieces plays as one.</source>
        <translation>Was in Stücken aufgenommen wurde, spielt als eines.</translation>
    </message>
    <message>
        <source>What was done to each, in its own axes: it holds when they are made anew</source>
        <translation>Was mit jeder geschah, in ihren eigenen Achsen: es gilt, wenn sie neu gemacht werden</translation>
    </message>
    <message>
        <source>What was found</source>
        <translation>Was gefunden wurde</translation>
    </message>
    <message>
        <source>What was opened, how long each step took, and what was refused, stands in
%1

Send it along when you report a fault. Your home folder stands as ~ in it.</source>
        <translation>Was geöffnet wurde, wie lange jeder Schritt brauchte und was abgelehnt wurde, steht in
%1

Legen Sie es bei, wenn Sie einen Fehler melden. Ihr eigener Ordner steht darin als ~.</translation>
    </message>
    <message>
        <source>What was painted or typed by hand stays when the source comes again.</source>
        <translation>Was von Hand gemalt oder getippt wurde, bleibt, wenn die Quelle wiederkommt.</translation>
    </message>
    <message>
        <source>What was sculpted on a bent limb is brought back before the skin, so that it comes out again when the limb bends.</source>
        <translation>Was an einem gebeugten Glied modelliert wurde, wird vor den Skin zurückgebracht, sodass es wieder herauskommt, wenn sich das Glied beugt.</translation>
    </message>
    <message>
        <source>What {side} becomes in the names of the left</source>
        <translation>Was aus {side} in den Namen der linken Seite wird</translation>
    </message>
    <message>
        <source>What {side} becomes in the names of the right</source>
        <translation>Was aus {side} in den Namen der rechten Seite wird</translation>
    </message>
    <message>
        <source>Whatever else they have</source>
        <translation>Was sie sonst auch haben</translation>
    </message>
    <message>
        <source>When a foot counts as in contact with the ground: how low and how slow it has to be</source>
        <translation>Wann ein Fuß als am Boden gilt: wie tief und wie langsam er sein muss</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>Where a repeat's last frame is its first once more: an engine that plays frame 0 right after it wants it left out.</source>
        <translation>Wo das letzte Bild einer Wiederholung noch einmal ihr erstes ist: eine Engine, die gleich danach Bild 0 spielt, will es weggelassen haben.</translation>
    </message>
    <message>
        <source>Where every point is at each frame goes out in a file of its own</source>
        <translation>Wo jeder Punkt an jedem Bild ist, geht in einer eigenen Datei hinaus</translation>
    </message>
    <message>
        <source>Where guide points stand. A side that is not there is the mirror image of the other, and all others stand where the plan has them</source>
        <translation>Wo Leitpunkte stehen. Eine Seite, die fehlt, ist das Spiegelbild der anderen, und alle anderen stehen, wo der Plan sie hat</translation>
    </message>
    <message>
        <source>Where it glows by itself</source>
        <translation>Wo es von selbst leuchtet</translation>
    </message>
    <message>
        <source>Where its files go: one that the engine's project watches, say. Files come there whole, in one move each. Empty: a folder of its name below the job's deliveries.</source>
        <translation>Wohin seine Dateien gehen: etwa ein Ordner, den das Projekt der Engine beobachtet. Dateien kommen dort ganz an, jede in einem Zug. Leer: ein Ordner seines Namens unter den Lieferungen des Auftrags.</translation>
    </message>
    <message>
        <source>Where the &amp;log is…</source>
        <translation>Wo das &amp;Protokoll liegt …</translation>
    </message>
    <message>
        <source>Where the engine project has its own materials, those of the file only get in the way.</source>
        <translation>Wo das Engine-Projekt eigene Materialien hat, sind die der Datei nur im Weg.</translation>
    </message>
    <message>
        <source>Where the plan has several side by side</source>
        <translation>Wo der Plan mehrere nebeneinander hat</translation>
    </message>
    <message>
        <source>Where the second axis looks in the world</source>
        <translation>Wohin die zweite Achse in der Welt schaut</translation>
    </message>
    <message>
        <source>Where the token goes</source>
        <translation>Wohin das Zeichen kommt</translation>
    </message>
    <message>
        <source>Where the two have not as many vertices: how far apart they may be</source>
        <translation>Wo beide nicht gleich viele Punkte haben: wie weit sie auseinander sein dürfen</translation>
    </message>
    <message>
        <source>Where they part</source>
        <translation>Wo sie sich scheiteln</translation>
    </message>
    <message>
        <source>Where weights jump from vertex to vertex the surface breaks when it bends.</source>
        <translation>Wo Gewichte von Punkt zu Punkt springen, bricht die Oberfläche beim Beugen.</translation>
    </message>
    <message>
        <source>Whether feet stand where the source's stand</source>
        <translation>Ob Füße stehen, wo die der Quelle stehen</translation>
    </message>
    <message>
        <source>Whether feet stand where those of the take stand</source>
        <translation>Ob Füße stehen, wo die der Aufnahme stehen</translation>
    </message>
    <message>
        <source>Whether hands keep to where they are still: in the world, at each other, at what the map calls a prop</source>
        <translation>Ob Hände dort bleiben, wo sie still sind: in der Welt, aneinander, an dem, was die Zuordnung ein Requisit nennt</translation>
    </message>
    <message>
        <source>Whether hands keep to where those of the take are still: in the world, at each other, at a joint that is a prop</source>
        <translation>Ob Hände dort bleiben, wo die der Aufnahme still sind: in der Welt, aneinander, an einem Gelenk, das ein Requisit ist</translation>
    </message>
    <message>
        <source>Whether it is played again and again</source>
        <translation>Ob er immer wieder gespielt wird</translation>
    </message>
    <message>
        <source>Whether keys are added to the motion of the take, or take its place</source>
        <translation>Ob Schlüssel zur Bewegung der Aufnahme hinzukommen oder an ihre Stelle treten</translation>
    </message>
    <message>
        <source>Whether position and rotation count from the joint or from the world</source>
        <translation>Ob Ort und Drehung vom Gelenk oder von der Welt aus zählen</translation>
    </message>
    <message>
        <source>Whether rotations are carried into the skeleton's own joint axes: where keys do not mean the same on both, always, or never (keys as they came)</source>
        <translation>Ob Drehungen in die eigenen Gelenkachsen des Skeletts übertragen werden: wo Schlüssel auf beiden nicht dasselbe bedeuten, immer, oder nie (Schlüssel, wie sie kamen)</translation>
    </message>
    <message>
        <source>Whether the engine's axes are those of a right or of a left hand. Files stay right-handed; the engine's importer mirrors them.</source>
        <translation>Ob die Achsen der Engine die einer rechten oder linken Hand sind. Dateien bleiben rechtshändig; die Engine spiegelt sie beim Einlesen.</translation>
    </message>
    <message>
        <source>Whether what the engine makes of a file is right- or left-handed.</source>
        <translation>Ob das, was die Engine aus einer Datei macht, rechts- oder linkshändig ist.</translation>
    </message>
    <message>
        <source>Which axes the beads X, Y and Z go by</source>
        <translation>Nach welchen Achsen die Perlen X, Y und Z gehen</translation>
    </message>
    <message>
        <source>Which axis a character looks along there.</source>
        <translation>Entlang welcher Achse eine Figur dort schaut.</translation>
    </message>
    <message>
        <source>Which axis of the engine the file's +Y comes to be, where its importer turns it another way than the project counts.</source>
        <translation>Welche Achse der Engine aus +Y der Datei wird, wo ihr Einlesen es anders dreht, als das Projekt zählt.</translation>
    </message>
    <message>
        <source>Which axis of the engine the file's +Z comes to be. Where the character looks there is worked out from it and held against the forward axis.</source>
        <translation>Welche Achse der Engine aus +Z der Datei wird. Wohin die Figur dort schaut, wird daraus errechnet und mit der Achse nach vorn verglichen.</translation>
    </message>
    <message>
        <source>Which axis of the file a character looks along. A .glb has Y up and metres by its standard; most engines take +Z for its front.</source>
        <translation>Entlang welcher Achse der Datei eine Figur schaut. Eine .glb hat nach ihrer Norm Y oben und Meter; die meisten Engines nehmen +Z für vorn.</translation>
    </message>
    <message>
        <source>Which axis points to the sky once the engine has read the file.</source>
        <translation>Welche Achse zum Himmel zeigt, wenn die Engine die Datei gelesen hat.</translation>
    </message>
    <message>
        <source>Which axis was up where they were made, if not Y</source>
        <translation>Welche Achse oben war, wo sie entstanden, wenn nicht Y</translation>
    </message>
    <message>
        <source>Which chains of joints a body of this kind has. A plan is a file that a team shares</source>
        <translation>Welche Ketten von Gelenken ein solcher Körper hat. Ein Plan ist eine Datei, die ein Team teilt</translation>
    </message>
    <message>
        <source>Which clip</source>
        <translation>Welcher Clip</translation>
    </message>
    <message>
        <source>Which curves of the chosen joints are shown; shapes show all that are keyed</source>
        <translation>Welche Kurven der gewählten Gelenke gezeigt werden; Formen zeigt alle, die Schlüssel haben</translation>
    </message>
    <message>
        <source>Which destinations are shown</source>
        <translation>Welche Ziele gezeigt werden</translation>
    </message>
    <message>
        <source>Which frame</source>
        <translation>Welches Bild</translation>
    </message>
    <message>
        <source>Which frame of it</source>
        <translation>Welches seiner Bilder</translation>
    </message>
    <message>
        <source>Which frame; a clip that repeats goes around, another one loses what came before</source>
        <translation>Welches Bild; ein Clip, der sich wiederholt, läuft herum, ein anderer verliert, was davor kam</translation>
    </message>
    <message>
        <source>Which joints are which, as it was kept for another take</source>
        <translation>Welche Gelenke welche sind, wie es für eine andere Aufnahme aufgehoben wurde</translation>
    </message>
    <message>
        <source>Which joints; empty: all that hold enough</source>
        <translation>Welche Gelenke; leer: alle, die genug halten</translation>
    </message>
    <message>
        <source>Which kind of solid; the smallest that is found</source>
        <translation>Welche Art Körper; der kleinste, der gefunden wird</translation>
    </message>
    <message>
        <source>Which kinds of files are shown</source>
        <translation>Welche Arten von Dateien gezeigt werden</translation>
    </message>
    <message>
        <source>Which may get weights; empty: all but a root that only carries motion</source>
        <translation>Welche Gewichte bekommen dürfen; leer: alle außer einer Wurzel, die nur Bewegung trägt</translation>
    </message>
    <message>
        <source>Which of its guide points</source>
        <translation>Welcher seiner Leitpunkte</translation>
    </message>
    <message>
        <source>Which of the source's; empty: the only one</source>
        <translation>Welche der Quelle; leer: die einzige</translation>
    </message>
    <message>
        <source>Which of the three states this pane shows</source>
        <translation>Welchen der drei Zustände diese Ansicht zeigt</translation>
    </message>
    <message>
        <source>Which one</source>
        <translation>Welche</translation>
    </message>
    <message>
        <source>Which ones</source>
        <translation>Welche</translation>
    </message>
    <message>
        <source>Which ones; they go, with their keys</source>
        <translation>Welche; sie gehen, mit ihren Schlüsseln</translation>
    </message>
    <message>
        <source>Which pose the chosen joints are keyed to; all joints, where none is chosen</source>
        <translation>Auf welche Pose die gewählten Gelenke gesetzt werden; alle Gelenke, wo keines gewählt ist</translation>
    </message>
    <message>
        <source>Which set the normal map lies on, the first is 0</source>
        <translation>Auf welchem Satz die Normalentextur liegt, der erste ist 0</translation>
    </message>
    <message>
        <source>Which states are shown</source>
        <translation>Welche Zustände gezeigt werden</translation>
    </message>
    <message>
        <source>Which surface (%1)</source>
        <translation>Welche Oberfläche (%1)</translation>
    </message>
    <message>
        <source>Which surfaces, * and ? allowed; empty: those without weights</source>
        <translation>Welche Oberflächen, * und ? erlaubt; leer: die ohne Gewichte</translation>
    </message>
    <message>
        <source>Which surfaces; empty: all that are skinned</source>
        <translation>Welche Oberflächen; leer: alle unter einem Skin</translation>
    </message>
    <message>
        <source>Which surfaces; empty: all with shapes</source>
        <translation>Welche Oberflächen; leer: alle mit Formen</translation>
    </message>
    <message>
        <source>Which take</source>
        <translation>Welche Aufnahme</translation>
    </message>
    <message>
        <source>Which; empty: the only one</source>
        <translation>Welche; leer: die einzige</translation>
    </message>
    <message>
        <source>Which; empty: the only ones</source>
        <translation>Welche; leer: die einzigen</translation>
    </message>
    <message>
        <source>Whose faces</source>
        <translation>Wessen Flächen</translation>
    </message>
    <message>
        <source>Whose units and axes the panes speak in; the board shows all destinations</source>
        <translation>In wessen Einheiten und Achsen die Ansichten sprechen; die Tafel zeigt alle Ziele</translation>
    </message>
    <message>
        <source>Whose weights go</source>
        <translation>Wessen Gewichte gehen</translation>
    </message>
    <message>
        <source>Whose weights the view shows. A joint clicked in the view is chosen here, too.</source>
        <translation>Wessen Gewichte die Ansicht zeigt. Ein in der Ansicht geklicktes Gelenk ist auch hier gewählt.</translation>
    </message>
    <message>
        <source>Whose weights were painted; strokes name them by their place</source>
        <translation>Wessen Gewichte gemalt wurden; Striche nennen sie nach ihrem Platz</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>Why it is right as it is</source>
        <translation>Warum es so richtig ist</translation>
    </message>
    <message>
        <source>Why not</source>
        <translation>Warum nicht</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Width at the root</source>
        <translation>Breite an der Wurzel</translation>
    </message>
    <message>
        <source>Width at the tip</source>
        <translation>Breite an der Spitze</translation>
    </message>
    <message>
        <source>Width, root to tip</source>
        <translation>Breite, Wurzel bis Spitze</translation>
    </message>
    <message>
        <source>Width, root to tip: %1 to %2 mm</source>
        <translation>Breite, Wurzel bis Spitze: %1 bis %2 mm</translation>
    </message>
    <message>
        <source>Widths</source>
        <translation>Breiten</translation>
    </message>
    <message>
        <source>With each delivery</source>
        <translation>Bei jeder Lieferung</translation>
    </message>
    <message>
        <source>With every joint along the world's axes at rest, poses and motion can be read and shared as plain rotations.</source>
        <translation>Liegt jedes Gelenk in der Ruhe entlang der Achsen der Welt, lassen sich Posen und Bewegung als einfache Drehungen lesen und teilen.</translation>
    </message>
    <message>
        <source>With up to {:.2f} of their weight: when root motion moves it, they are torn along.</source>
        <translation>Mit bis zu {:.2f} ihres Gewichts: wenn Wurzelbewegung sie bewegt, werden sie mitgerissen.</translation>
    </message>
    <message>
        <source>Within</source>
        <translation>Innerhalb</translation>
    </message>
    <message>
        <source>Within (° and mm)</source>
        <translation>Innerhalb (° und mm)</translation>
    </message>
    <message>
        <source>Without images</source>
        <translation>Ohne Bilder</translation>
    </message>
    <message>
        <source>Without materials</source>
        <translation>Ohne Materialien</translation>
    </message>
    <message>
        <source>Words of a file's name, or of what it is</source>
        <translation>Wörter aus dem Namen einer Datei oder aus dem, was sie ist</translation>
    </message>
    <message>
        <source>Write it…</source>
        <translation>Schreiben …</translation>
    </message>
    <message>
        <source>Write the contract</source>
        <translation>Den Vertrag schreiben</translation>
    </message>
    <message>
        <source>Write the files and see how they arrived</source>
        <translation>Die Dateien schreiben und sehen, wie sie ankommen</translation>
    </message>
    <message>
        <source>Write the list of cuts</source>
        <translation>Die Liste der Schnitte schreiben</translation>
    </message>
    <message>
        <source>Write to a file…</source>
        <translation>In eine Datei schreiben …</translation>
    </message>
    <message>
        <source>Writes every file anew, up to date or not, and checks it</source>
        <translation>Schreibt jede Datei neu, aktuell oder nicht, und prüft sie</translation>
    </message>
    <message>
        <source>Writes every file that is not up to date, reads each back and checks it</source>
        <translation>Schreibt jede Datei, die nicht aktuell ist, liest sie zurück und prüft sie</translation>
    </message>
    <message>
        <source>Writes the chosen cell's file anew and checks it</source>
        <translation>Schreibt die Datei des gewählten Feldes neu und prüft sie</translation>
    </message>
    <message>
        <source>Writes the files that are shown anew, up to date or not, and checks them</source>
        <translation>Schreibt die gezeigten Dateien neu, aktuell oder nicht, und prüft sie</translation>
    </message>
    <message>
        <source>X</source>
        <translation>X</translation>
    </message>
    <message>
        <source>X %1° · Y %2° · Z %3°</source>
        <translation>X %1° · Y %2° · Z %3°</translation>
    </message>
    <message>
        <source>Y</source>
        <translation>Y</translation>
    </message>
    <message>
        <source>Z</source>
        <translation>Z</translation>
    </message>
    <message>
        <source>Zero rest rotations</source>
        <translation>Ruhedrehungen auf null</translation>
    </message>
    <message>
        <source>`start` and `end` are frames, both included; `"deliver": false` keeps a clip from going out</source>
        <translation>`start` und `end` sind Bilder, beide mitgezählt; `"deliver": false` hält einen Clip zurück</translation>
    </message>
    <message>
        <source>a .{} file holds none</source>
        <translation>eine .{}-Datei fasst keine</translation>
    </message>
    <message>
        <source>a 1.75 m person is a dot here</source>
        <translation>ein Mensch von 1,75 m ist hier ein Punkt</translation>
    </message>
    <message>
        <source>a BVH says no unit: its numbers are taken for metres.</source>
        <translation>eine BVH sagt keine Einheit: ihre Zahlen werden für Meter genommen.</translation>
    </message>
    <message>
        <source>a clip that is made</source>
        <translation>eines Clips, der entsteht</translation>
    </message>
    <message>
        <source>a colour is “#RRGGBB”.</source>
        <translation>eine Farbe ist „#RRGGBB“.</translation>
    </message>
    <message>
        <source>a default prim</source>
        <translation>ein Standard-Prim</translation>
    </message>
    <message>
        <source>a dictionary leads out of the file</source>
        <translation>ein Wörterbuch führt aus der Datei</translation>
    </message>
    <message>
        <source>a farm has at least one and at most {} items.</source>
        <translation>eine Farm hat mindestens einen und höchstens {} Posten.</translation>
    </message>
    <message>
        <source>a field has no name</source>
        <translation>ein Feld hat keinen Namen</translation>
    </message>
    <message>
        <source>a figure</source>
        <translation>eine Figur</translation>
    </message>
    <message>
        <source>a file of </source>
        <translation>eine Datei aus </translation>
    </message>
    <message>
        <source>a guess</source>
        <translation>eine Vermutung</translation>
    </message>
    <message>
        <source>a hello without a name.</source>
        <translation>ein Gruß ohne Namen.</translation>
    </message>
    <message>
        <source>a hello without a version.</source>
        <translation>ein Gruß ohne Fassung.</translation>
    </message>
    <message>
        <source>a joint has no name.</source>
        <translation>ein Gelenk hat keinen Namen.</translation>
    </message>
    <message>
        <source>a joint like others</source>
        <translation>ein Gelenk wie andere</translation>
    </message>
    <message>
        <source>a joint; else the nearest one above</source>
        <translation>ein Gelenk; sonst das nächste darüber</translation>
    </message>
    <message>
        <source>a key needs "frame" and "value".</source>
        <translation>ein Schlüssel braucht „frame“ und „value“.</translation>
    </message>
    <message>
        <source>a key's numbers are no numbers.</source>
        <translation>die Zahlen eines Schlüssels sind keine.</translation>
    </message>
    <message>
        <source>a kind of geometry that is not counted</source>
        <translation>eine Art Geometrie, die nicht gezählt wird</translation>
    </message>
    <message>
        <source>a line of places each: x y z, x y z, … in millimetres</source>
        <translation>je eine Linie aus Orten: x y z, x y z, … in Millimetern</translation>
    </message>
    <message>
        <source>a list leads out of the file</source>
        <translation>eine Liste führt aus der Datei</translation>
    </message>
    <message>
        <source>a listener</source>
        <translation>ein Zuhörer</translation>
    </message>
    <message>
        <source>a listener sends no files</source>
        <translation>ein Zuhörer sendet keine Dateien</translation>
    </message>
    <message>
        <source>a message of more than {} MB.</source>
        <translation>eine Nachricht von mehr als {} MB.</translation>
    </message>
    <message>
        <source>a model has one pose: %1 mm</source>
        <translation>ein Modell hat eine Pose: %1 mm</translation>
    </message>
    <message>
        <source>a name</source>
        <translation>ein Name</translation>
    </message>
    <message>
        <source>a name for each field</source>
        <translation>a name for each field</translation>
    </message>
    <message>
        <source>a name that is alike</source>
        <translation>ein ähnlicher Name</translation>
    </message>
    <message>
        <source>a node's position is not a number.</source>
        <translation>der Ort eines Knotens ist keine Zahl.</translation>
    </message>
    <message>
        <source>a normal is not three numbers.</source>
        <translation>eine Normale sind keine drei Zahlen.</translation>
    </message>
    <message>
        <source>a number</source>
        <translation>eine Zahl</translation>
    </message>
    <message>
        <source>a number of an OFFSET</source>
        <translation>eine Zahl eines OFFSET</translation>
    </message>
    <message>
        <source>a number of channels</source>
        <translation>eine Zahl von Kanälen</translation>
    </message>
    <message>
        <source>a packed array is broken</source>
        <translation>ein verdichtetes Feld ist fehlerhaft</translation>
    </message>
    <message>
        <source>a page of %1</source>
        <translation>eine Seite von %1</translation>
    </message>
    <message>
        <source>a painted density is cut off.</source>
        <translation>eine gemalte Dichte ist abgeschnitten.</translation>
    </message>
    <message>
        <source>a painted density is not from 0 to 1.</source>
        <translation>eine gemalte Dichte liegt nicht zwischen 0 und 1.</translation>
    </message>
    <message>
        <source>a parent transform rotates or scales</source>
        <translation>eine Transformation darüber dreht oder skaliert</translation>
    </message>
    <message>
        <source>a part of its hello is no text, or longer than 200 characters.</source>
        <translation>ein Teil seines Grußes ist kein Text, oder länger als 200 Zeichen.</translation>
    </message>
    <message>
        <source>a parting is a line through two places or more: x y z, x y z, in millimetres.</source>
        <translation>ein Scheitel ist eine Linie durch zwei Orte oder mehr: x y z, x y z, in Millimetern.</translation>
    </message>
    <message>
        <source>a path has no name</source>
        <translation>ein Pfad hat keinen Namen</translation>
    </message>
    <message>
        <source>a path is too long</source>
        <translation>ein Pfad ist zu lang</translation>
    </message>
    <message>
        <source>a picture could not be encoded.</source>
        <translation>ein Bild ließ sich nicht kodieren.</translation>
    </message>
    <message>
        <source>a point of guide {} is not three numbers.</source>
        <translation>ein Punkt der Leitkurve {} sind keine drei Zahlen.</translation>
    </message>
    <message>
        <source>a pose is not an object of joints.</source>
        <translation>eine Pose ist kein Objekt von Gelenken.</translation>
    </message>
    <message>
        <source>a prim has no name, or one with a “/”</source>
        <translation>ein Prim hat keinen Namen, oder einen mit „/“</translation>
    </message>
    <message>
        <source>a profile is numbers from 0 to 1, from root to tip.</source>
        <translation>ein Profil sind Zahlen von 0 bis 1, von der Wurzel zur Spitze.</translation>
    </message>
    <message>
        <source>a quaternion has no place</source>
        <translation>ein Quaternion hat keinen Platz</translation>
    </message>
    <message>
        <source>a quote is opened and never closed.</source>
        <translation>ein Anführungszeichen wird geöffnet und nie geschlossen.</translation>
    </message>
    <message>
        <source>a set of fields is broken</source>
        <translation>ein Feldsatz ist fehlerhaft</translation>
    </message>
    <message>
        <source>a step does not fit: </source>
        <translation>ein Schritt passt nicht: </translation>
    </message>
    <message>
        <source>a step does not say what it is: it needs "step".</source>
        <translation>ein Schritt sagt nicht, was er ist: er braucht „step“.</translation>
    </message>
    <message>
        <source>a stored pose</source>
        <translation>eine gemerkte Pose</translation>
    </message>
    <message>
        <source>a strand ends where it would go into the body</source>
        <translation>eine Strähne endet, wo sie in den Körper ginge</translation>
    </message>
    <message>
        <source>a swatch of each material that is in use</source>
        <translation>ein Muster jedes Materials, das benutzt wird</translation>
    </message>
    <message>
        <source>a tangent's weight is not between 0 and 1.</source>
        <translation>das Gewicht einer Tangente liegt nicht zwischen 0 und 1.</translation>
    </message>
    <message>
        <source>a text or a path</source>
        <translation>ein Text oder ein Pfad</translation>
    </message>
    <message>
        <source>a thing</source>
        <translation>ein Ding</translation>
    </message>
    <message>
        <source>a time</source>
        <translation>eine Zeit</translation>
    </message>
    <message>
        <source>a value</source>
        <translation>ein Wert</translation>
    </message>
    <message>
        <source>a value is a path that is not there</source>
        <translation>ein Wert ist ein Pfad, der nicht da ist</translation>
    </message>
    <message>
        <source>a value is a string that is not there</source>
        <translation>ein Wert ist eine Zeichenkette, die nicht da ist</translation>
    </message>
    <message>
        <source>a value is a token that is not there</source>
        <translation>ein Wert ist ein Token, das nicht da ist</translation>
    </message>
    <message>
        <source>a value of the type {}</source>
        <translation>ein Wert der Art {}</translation>
    </message>
    <message>
        <source>a vertex has a place that is no number.</source>
        <translation>ein Punkt hat einen Ort, der keine Zahl ist.</translation>
    </message>
    <message>
        <source>a vertex has weight on joint {}, but its skin has only {}.</source>
        <translation>ein Punkt hat Gewicht auf Gelenk {}, doch sein Skin hat nur {}.</translation>
    </message>
    <message>
        <source>a vertex is not three numbers.</source>
        <translation>ein Punkt sind keine drei Zahlen.</translation>
    </message>
    <message>
        <source>a {} and not a {}</source>
        <translation>{} und nicht {}</translation>
    </message>
    <message>
        <source>about</source>
        <translation>um</translation>
    </message>
    <message>
        <source>about Y</source>
        <translation>um Y</translation>
    </message>
    <message>
        <source>about Z</source>
        <translation>um Z</translation>
    </message>
    <message>
        <source>about up</source>
        <translation>um die Achse nach oben</translation>
    </message>
    <message>
        <source>about {:.0f} min left</source>
        <translation>noch etwa {:.0f} min</translation>
    </message>
    <message>
        <source>about {:.0f} s left</source>
        <translation>noch etwa {:.0f} s</translation>
    </message>
    <message>
        <source>about {:.1f} h left</source>
        <translation>noch etwa {:.1f} h</translation>
    </message>
    <message>
        <source>above</source>
        <translation>über</translation>
    </message>
    <message>
        <source>all</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>all 1</source>
        <translation>alle 1</translation>
    </message>
    <message>
        <source>all faces are plain triangles</source>
        <translation>alle Flächen sind einfache Dreiecke</translation>
    </message>
    <message>
        <source>all have the world's origin already</source>
        <translation>alle haben schon den Ursprung der Welt</translation>
    </message>
    <message>
        <source>all in one · {} · {}</source>
        <translation>alles in einem · {} · {}</translation>
    </message>
    <message>
        <source>all of it is delivered</source>
        <translation>alles davon wird ausgeliefert</translation>
    </message>
    <message>
        <source>all of them on one skeleton</source>
        <translation>alle auf einem Skelett</translation>
    </message>
    <message>
        <source>all scales 1</source>
        <translation>alle Skalierungen 1</translation>
    </message>
    <message>
        <source>all shapes stand so already</source>
        <translation>alle Formen stehen schon so</translation>
    </message>
    <message>
        <source>all slots stand so already</source>
        <translation>alle Slots stehen schon so</translation>
    </message>
    <message>
        <source>all stand at their own origin already</source>
        <translation>alle stehen schon im eigenen Ursprung</translation>
    </message>
    <message>
        <source>all weights sum to 1 already</source>
        <translation>alle Gewichte ergeben schon 1</translation>
    </message>
    <message>
        <source>all {}</source>
        <translation>alle {}</translation>
    </message>
    <message>
        <source>along</source>
        <translation>entlang</translation>
    </message>
    <message>
        <source>along Y</source>
        <translation>entlang Y</translation>
    </message>
    <message>
        <source>along Z</source>
        <translation>entlang Z</translation>
    </message>
    <message>
        <source>along the bones</source>
        <translation>entlang der Knochen</translation>
    </message>
    <message>
        <source>along the surface</source>
        <translation>entlang der Oberfläche</translation>
    </message>
    <message>
        <source>alpha cutoff</source>
        <translation>Alpha-Schwelle</translation>
    </message>
    <message>
        <source>alpha mode</source>
        <translation>Alpha-Art</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>an animal</source>
        <translation>ein Tier</translation>
    </message>
    <message>
        <source>an array is too long</source>
        <translation>ein Feld ist zu lang</translation>
    </message>
    <message>
        <source>an array leads out of the file</source>
        <translation>ein Feld führt aus der Datei</translation>
    </message>
    <message>
        <source>an array of texts is too long</source>
        <translation>ein Feld von Texten ist zu lang</translation>
    </message>
    <message>
        <source>an engine tells joints apart by name alone.</source>
        <translation>eine Engine unterscheidet Gelenke allein am Namen.</translation>
    </message>
    <message>
        <source>an index is {}, but there are only {}.</source>
        <translation>ein Index ist {}, doch es gibt nur {}.</translation>
    </message>
    <message>
        <source>an index points at nothing that stands before it.</source>
        <translation>ein Index zeigt auf nichts, was davor steht.</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>und %1 weitere</translation>
    </message>
    <message>
        <source>and %1 more, in Intake</source>
        <translation>und %1 weitere, am Eingang</translation>
    </message>
    <message>
        <source>and %1 more, which move less</source>
        <translation>und %1 weitere, die sich weniger bewegen</translation>
    </message>
    <message>
        <source>and slower than</source>
        <translation>und langsamer als</translation>
    </message>
    <message>
        <source>angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>animal</source>
        <translation>Tier</translation>
    </message>
    <message>
        <source>animation {}</source>
        <translation>Animation {}</translation>
    </message>
    <message>
        <source>another clip or another length arrived</source>
        <translation>ein anderer Clip oder eine andere Länge kam an</translation>
    </message>
    <message>
        <source>another copyright</source>
        <translation>ein anderes Urheberrecht</translation>
    </message>
    <message>
        <source>another delivery is writing into it.</source>
        <translation>eine andere Lieferung schreibt gerade hinein.</translation>
    </message>
    <message>
        <source>another image of a texture, names an image; read where it is the only one</source>
        <translation>ein anderes Bild einer Textur, nennt ein Bild; gelesen, wo es das einzige ist</translation>
    </message>
    <message>
        <source>another image of a texture; names an image</source>
        <translation>ein anderes Bild einer Textur; nennt ein Bild</translation>
    </message>
    <message>
        <source>another length or pace arrived</source>
        <translation>eine andere Länge oder ein anderes Tempo kam an</translation>
    </message>
    <message>
        <source>another number arrived</source>
        <translation>eine andere Anzahl kam an</translation>
    </message>
    <message>
        <source>another one</source>
        <translation>ein anderer</translation>
    </message>
    <message>
        <source>another root arrived</source>
        <translation>eine andere Wurzel kam an</translation>
    </message>
    <message>
        <source>another scene is shown first</source>
        <translation>eine andere Szene wird zuerst gezeigt</translation>
    </message>
    <message>
        <source>another size, or kind of number</source>
        <translation>eine andere Größe, oder Art von Zahl</translation>
    </message>
    <message>
        <source>another take goes out as “{}” already</source>
        <translation>eine andere Aufnahme geht schon als „{}“ hinaus</translation>
    </message>
    <message>
        <source>another texture</source>
        <translation>eine andere Textur</translation>
    </message>
    <message>
        <source>another transform</source>
        <translation>eine andere Transformation</translation>
    </message>
    <message>
        <source>another version of Wembrix made it</source>
        <translation>eine andere Fassung von Wembrix hat es gemacht</translation>
    </message>
    <message>
        <source>answers %1</source>
        <translation>entspricht %1</translation>
    </message>
    <message>
        <source>are not</source>
        <translation>nicht sind</translation>
    </message>
    <message>
        <source>area</source>
        <translation>Fläche</translation>
    </message>
    <message>
        <source>arm</source>
        <translation>Arm</translation>
    </message>
    <message>
        <source>arrays beside a job are written as they lie in memory</source>
        <translation>arrays beside a job are written as they lie in memory</translation>
    </message>
    <message>
        <source>arrived</source>
        <translation>angekommen</translation>
    </message>
    <message>
        <source>articulated systems</source>
        <translation>Gelenksysteme</translation>
    </message>
    <message>
        <source>as in the contract</source>
        <translation>wie im Vertrag</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation>wie es ist</translation>
    </message>
    <message>
        <source>as it was delivered</source>
        <translation>wie ausgeliefert</translation>
    </message>
    <message>
        <source>as listed</source>
        <translation>wie aufgezählt</translation>
    </message>
    <message>
        <source>as the take has it</source>
        <translation>wie die Aufnahme es hat</translation>
    </message>
    <message>
        <source>as the unit above</source>
        <translation>wie die Einheit oben</translation>
    </message>
    <message>
        <source>as their steps ask for</source>
        <translation>wie ihre Schritte es verlangen</translation>
    </message>
    <message>
        <source>as told</source>
        <translation>wie gesagt</translation>
    </message>
    <message>
        <source>as what is added to</source>
        <translation>als das, was hinzukommt zu</translation>
    </message>
    <message>
        <source>asks for far more memory than the size of the file allows.</source>
        <translation>verlangt weit mehr Speicher, als die Größe der Datei erlaubt.</translation>
    </message>
    <message>
        <source>at byte {} says {} bytes but only {} follow.</source>
        <translation>bei Byte {} sagt {} Bytes, doch es folgen nur {}.</translation>
    </message>
    <message>
        <source>at least</source>
        <translation>mindestens</translation>
    </message>
    <message>
        <source>at most</source>
        <translation>höchstens</translation>
    </message>
    <message>
        <source>at most {:g} mm</source>
        <translation>höchstens {:g} mm</translation>
    </message>
    <message>
        <source>at most {}</source>
        <translation>höchstens {}</translation>
    </message>
    <message>
        <source>at most {} (every frame)</source>
        <translation>höchstens {} (jedes Bild)</translation>
    </message>
    <message>
        <source>at once</source>
        <translation>sofort</translation>
    </message>
    <message>
        <source>at rest</source>
        <translation>in der Ruhe</translation>
    </message>
    <message>
        <source>at rest, where strands have a container</source>
        <translation>in Ruhe, wo Strähnen ein Format haben</translation>
    </message>
    <message>
        <source>at the end</source>
        <translation>am Ende</translation>
    </message>
    <message>
        <source>at the origin</source>
        <translation>im Ursprung</translation>
    </message>
    <message>
        <source>at the origin, looking forward</source>
        <translation>im Ursprung, nach vorn schauend</translation>
    </message>
    <message>
        <source>at the start</source>
        <translation>am Anfang</translation>
    </message>
    <message>
        <source>at work</source>
        <translation>in Arbeit</translation>
    </message>
    <message>
        <source>attribute</source>
        <translation>Attribut</translation>
    </message>
    <message>
        <source>automatic</source>
        <translation>von selbst</translation>
    </message>
    <message>
        <source>bake the parent transforms first: they scale the joints from above</source>
        <translation>backen Sie zuerst die Transformationen darüber: sie skalieren die Gelenke von oben</translation>
    </message>
    <message>
        <source>base colour</source>
        <translation>Grundfarbe</translation>
    </message>
    <message>
        <source>base → &lt;b&gt;shapes&lt;/b&gt; → &lt;b&gt;skin&lt;/b&gt;</source>
        <translation>Basis → &lt;b&gt;Formen&lt;/b&gt; → &lt;b&gt;Skin&lt;/b&gt;</translation>
    </message>
    <message>
        <source>belongs to other scenes of the file</source>
        <translation>gehört zu anderen Szenen der Datei</translation>
    </message>
    <message>
        <source>below</source>
        <translation>unter</translation>
    </message>
    <message>
        <source>below the ground %1</source>
        <translation>unter dem Boden %1</translation>
    </message>
    <message>
        <source>bends without saying how; straight lines stand in.</source>
        <translation>biegt sich, ohne zu sagen, wie; gerade Linien stehen dafür.</translation>
    </message>
    <message>
        <source>best</source>
        <translation>am besten</translation>
    </message>
    <message>
        <source>between levels</source>
        <translation>zwischen Stufen</translation>
    </message>
    <message>
        <source>beyond its limits %1 (%2)</source>
        <translation>über der eigenen Grenze %1 (%2)</translation>
    </message>
    <message>
        <source>bind pose</source>
        <translation>Bindepose</translation>
    </message>
    <message>
        <source>bind through the volume, paint them, or accept it with a note</source>
        <translation>binden Sie durch das Volumen, malen Sie sie, oder nehmen Sie es mit einer Bemerkung hin</translation>
    </message>
    <message>
        <source>blend</source>
        <translation>überblenden</translation>
    </message>
    <message>
        <source>body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>bone</source>
        <translation>Knochen</translation>
    </message>
    <message>
        <source>bone lengths changed by %1 mm</source>
        <translation>Knochenlängen um %1 mm geändert</translation>
    </message>
    <message>
        <source>bones</source>
        <translation>Knochen</translation>
    </message>
    <message>
        <source>both sides have one token.</source>
        <translation>beide Seiten haben ein Zeichen.</translation>
    </message>
    <message>
        <source>both sides hold alike already</source>
        <translation>beide Seiten halten schon gleich</translation>
    </message>
    <message>
        <source>bound to {} and not {}</source>
        <translation>an {} gebunden und nicht an {}</translation>
    </message>
    <message>
        <source>bounds</source>
        <translation>Maße</translation>
    </message>
    <message>
        <source>box</source>
        <translation>Quader</translation>
    </message>
    <message>
        <source>brackets lie more than {} deep</source>
        <translation>Klammern liegen mehr als {} tief</translation>
    </message>
    <message>
        <source>branch</source>
        <translation>Zweig</translation>
    </message>
    <message>
        <source>branch by branch</source>
        <translation>Zweig für Zweig</translation>
    </message>
    <message>
        <source>branch by branch, by name</source>
        <translation>Zweig für Zweig, nach Namen</translation>
    </message>
    <message>
        <source>brings {} to the skeleton: {}.</source>
        <translation>bringt zum Skelett: {} ({}).</translation>
    </message>
    <message>
        <source>brought to {}, the largest weight lost {:.3f}</source>
        <translation>auf {} gebracht, das größte Gewicht verlor {:.3f}</translation>
    </message>
    <message>
        <source>brought to {}, {}</source>
        <translation>auf {} gebracht, {}</translation>
    </message>
    <message>
        <source>buffer view </source>
        <translation>Puffersicht </translation>
    </message>
    <message>
        <source>by hand</source>
        <translation>von Hand</translation>
    </message>
    <message>
        <source>by heat</source>
        <translation>durch Wärme</translation>
    </message>
    <message>
        <source>by place: the surface has other vertices now; {} of {} have nothing within {:g} mm</source>
        <translation>nach dem Ort: die Oberfläche hat jetzt andere Punkte; {} von {} haben nichts innerhalb von {:g} mm</translation>
    </message>
    <message>
        <source>by the nearest bone</source>
        <translation>durch den nächsten Knochen</translation>
    </message>
    <message>
        <source>by the order of vertices</source>
        <translation>nach der Reihenfolge der Punkte</translation>
    </message>
    <message>
        <source>by what moves least: {:.3f} mm in the mean, at most {:.2f} mm (frame {} of “{}”)</source>
        <translation>nach kleinster Bewegung: {:.3f} mm im Mittel, höchstens {:.2f} mm (Bild {} von „{}“)</translation>
    </message>
    <message>
        <source>by your card</source>
        <translation>durch Ihre Karte</translation>
    </message>
    <message>
        <source>bytes</source>
        <translation>Bytes</translation>
    </message>
    <message>
        <source>bytes that are no letters</source>
        <translation>Bytes, die keine Buchstaben sind</translation>
    </message>
    <message>
        <source>cache</source>
        <translation>Cache</translation>
    </message>
    <message>
        <source>camera</source>
        <translation>Kamera</translation>
    </message>
    <message>
        <source>camera {}</source>
        <translation>Kamera {}</translation>
    </message>
    <message>
        <source>camera, light, empty, point, hull, static; one per line</source>
        <translation>camera, light, empty, point, hull, static; eines je Zeile</translation>
    </message>
    <message>
        <source>cannot be copied: {}.</source>
        <translation>kann nicht kopiert werden: {}.</translation>
    </message>
    <message>
        <source>cannot be created: {}.</source>
        <translation>kann nicht angelegt werden: {}.</translation>
    </message>
    <message>
        <source>cannot be made: </source>
        <translation>kann nicht angelegt werden: </translation>
    </message>
    <message>
        <source>cannot be opened as an archive: </source>
        <translation>lässt sich nicht als Archiv öffnen: </translation>
    </message>
    <message>
        <source>cannot be opened.</source>
        <translation>kann nicht geöffnet werden.</translation>
    </message>
    <message>
        <source>cannot be opened: </source>
        <translation>kann nicht geöffnet werden: </translation>
    </message>
    <message>
        <source>cannot be opened: {}.</source>
        <translation>kann nicht geöffnet werden: {}.</translation>
    </message>
    <message>
        <source>cannot be packed.</source>
        <translation>kann nicht gepackt werden.</translation>
    </message>
    <message>
        <source>cannot be put in place: </source>
        <translation>kann nicht an seinen Platz gelegt werden: </translation>
    </message>
    <message>
        <source>cannot be put in place: {}.</source>
        <translation>kann nicht an seinen Platz gelegt werden: {}.</translation>
    </message>
    <message>
        <source>cannot be read to its end.</source>
        <translation>lässt sich nicht zu Ende lesen.</translation>
    </message>
    <message>
        <source>cannot be read, or is too large.</source>
        <translation>ist nicht zu lesen, oder zu groß.</translation>
    </message>
    <message>
        <source>cannot be read: </source>
        <translation>kann nicht gelesen werden: </translation>
    </message>
    <message>
        <source>cannot be read: {}.</source>
        <translation>kann nicht gelesen werden: {}.</translation>
    </message>
    <message>
        <source>cannot be written as JPEG</source>
        <translation>lässt sich nicht als JPEG schreiben</translation>
    </message>
    <message>
        <source>cannot be written as PNG</source>
        <translation>lässt sich nicht als PNG schreiben</translation>
    </message>
    <message>
        <source>cannot be written as WebP.</source>
        <translation>lässt sich nicht als WebP schreiben.</translation>
    </message>
    <message>
        <source>cannot be written to.</source>
        <translation>es kann nicht hineingeschrieben werden.</translation>
    </message>
    <message>
        <source>cannot be written to: {}.</source>
        <translation>es kann nicht hineingeschrieben werden: {}.</translation>
    </message>
    <message>
        <source>cannot be written: </source>
        <translation>kann nicht geschrieben werden: </translation>
    </message>
    <message>
        <source>cannot be written: {}.</source>
        <translation>kann nicht geschrieben werden: {}.</translation>
    </message>
    <message>
        <source>cannot be {}: {}.</source>
        <translation>lässt sich nicht behandeln ({}): {}.</translation>
    </message>
    <message>
        <source>cannot end where "{}" begins.</source>
        <translation>kann nicht enden, wo „{}“ beginnt.</translation>
    </message>
    <message>
        <source>cannot know</source>
        <translation>nicht zu wissen</translation>
    </message>
    <message>
        <source>capsule</source>
        <translation>Kapsel</translation>
    </message>
    <message>
        <source>card</source>
        <translation>Karte</translation>
    </message>
    <message>
        <source>carries a surface of its own and cannot go.</source>
        <translation>trägt eine eigene Oberfläche und kann nicht gehen.</translation>
    </message>
    <message>
        <source>carry</source>
        <translation>übertragen</translation>
    </message>
    <message>
        <source>certain</source>
        <translation>sicher</translation>
    </message>
    <message>
        <source>chain</source>
        <translation>Kette</translation>
    </message>
    <message>
        <source>chain, copy, point, side, x y z (m), one per line</source>
        <translation>Kette, Kopie, Punkt, Seite, x y z (m), eines je Zeile</translation>
    </message>
    <message>
        <source>changed</source>
        <translation>geändert</translation>
    </message>
    <message>
        <source>changes element {}, but there are only {}.</source>
        <translation>ändert Element {}, doch es gibt nur {}.</translation>
    </message>
    <message>
        <source>changes {} otherwise on {}</source>
        <translation>ändert {} anders auf: {}</translation>
    </message>
    <message>
        <source>changes {}, too</source>
        <translation>ändert auch {}</translation>
    </message>
    <message>
        <source>choose…</source>
        <translation>wählen …</translation>
    </message>
    <message>
        <source>clip "</source>
        <translation>Clip „</translation>
    </message>
    <message>
        <source>clip length</source>
        <translation>Cliplänge</translation>
    </message>
    <message>
        <source>clip · {} f · {}</source>
        <translation>Clip · {} B · {}</translation>
    </message>
    <message>
        <source>clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>clips move them apart: “{}” gets the mean of their weights</source>
        <translation>Clips bewegen sie auseinander: „{}“ bekommt das Mittel ihrer Gewichte</translation>
    </message>
    <message>
        <source>clips of one pose, each by itself and not among the clips</source>
        <translation>Clips aus einer Pose, jeder für sich und nicht unter den Clips</translation>
    </message>
    <message>
        <source>container</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>convex</source>
        <translation>konvex</translation>
    </message>
    <message>
        <source>coordinate set {} and not {}</source>
        <translation>Koordinatensatz {} und nicht {}</translation>
    </message>
    <message>
        <source>copied: %1</source>
        <translation>kopiert: %1</translation>
    </message>
    <message>
        <source>copied: none yet</source>
        <translation>kopiert: noch keine</translation>
    </message>
    <message>
        <source>could not be begun: its command ended with {}.</source>
        <translation>konnte nicht begonnen werden: sein Befehl endete mit {}.</translation>
    </message>
    <message>
        <source>counts in another unit than the model: its lengths are taken {:g} times.</source>
        <translation>zählt in einer anderen Einheit als das Modell: seine Längen werden {:g}-mal genommen.</translation>
    </message>
    <message>
        <source>counts more corners than it has; the faces behind are left out.</source>
        <translation>zählt mehr Ecken, als es hat; die Flächen dahinter sind weggelassen.</translation>
    </message>
    <message>
        <source>counts more corners than it has; the surface is left out.</source>
        <translation>zählt mehr Ecken, als es hat; die Oberfläche ist weggelassen.</translation>
    </message>
    <message>
        <source>counts more points than it has; its curves are left out.</source>
        <translation>zählt mehr Punkte, als es hat; seine Kurven sind weggelassen.</translation>
    </message>
    <message>
        <source>creature</source>
        <translation>Wesen</translation>
    </message>
    <message>
        <source>curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>cut the clip there, or ask for the capture anew</source>
        <translation>schneiden Sie den Clip dort, oder bitten Sie neu um die Aufnahme</translation>
    </message>
    <message>
        <source>cuts a file of {}; it can only cut one.</source>
        <translation>schneidet eine Datei aus {}; es kann nur eine schneiden.</translation>
    </message>
    <message>
        <source>cylinder</source>
        <translation>Zylinder</translation>
    </message>
    <message>
        <source>def, over or class</source>
        <translation>def, over oder class</translation>
    </message>
    <message>
        <source>delivers into a folder outside its own.</source>
        <translation>liefert in einen Ordner außerhalb des eigenen.</translation>
    </message>
    <message>
        <source>destination</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>dictionaries lie more than {} deep</source>
        <translation>Wörterbücher liegen mehr als {} tief</translation>
    </message>
    <message>
        <source>dictionaries lie too deep</source>
        <translation>Wörterbücher liegen zu tief</translation>
    </message>
    <message>
        <source>did not answer within {:.0f} s.</source>
        <translation>antwortete nicht innerhalb von {:.0f} s.</translation>
    </message>
    <message>
        <source>differences from rest</source>
        <translation>Unterschiede zur Ruhe</translation>
    </message>
    <message>
        <source>digit</source>
        <translation>Finger</translation>
    </message>
    <message>
        <source>does not fit</source>
        <translation>passt nicht</translation>
    </message>
    <message>
        <source>does not hold unsigned whole numbers.</source>
        <translation>enthält keine ganzen Zahlen ohne Vorzeichen.</translation>
    </message>
    <message>
        <source>does not say that it is glTF 2.</source>
        <translation>sagt nicht, dass es glTF 2 ist.</translation>
    </message>
    <message>
        <source>does not say what it is: it has no "type".</source>
        <translation>sagt nicht, was es ist: es hat kein „type“.</translation>
    </message>
    <message>
        <source>does not say what of it is packed</source>
        <translation>sagt nicht, was davon verdichtet ist</translation>
    </message>
    <message>
        <source>does not say which file it is, and no manifest above it lists it.</source>
        <translation>sagt nicht, welche Datei es ist, und kein Verzeichnis darüber nennt es.</translation>
    </message>
    <message>
        <source>does not say which: it has no "index".</source>
        <translation>sagt nicht, welches: es hat kein „index“.</translation>
    </message>
    <message>
        <source>does not unpack to what its accessors say</source>
        <translation>entpackt sich nicht zu dem, was seine Zugriffe sagen</translation>
    </message>
    <message>
        <source>does not unpack: its packed bytes are broken.</source>
        <translation>entpackt sich nicht: seine verdichteten Bytes sind fehlerhaft.</translation>
    </message>
    <message>
        <source>done</source>
        <translation>fertig</translation>
    </message>
    <message>
        <source>drift %1 mm</source>
        <translation>Drift %1 mm</translation>
    </message>
    <message>
        <source>drift being measured</source>
        <translation>Drift wird gemessen</translation>
    </message>
    <message>
        <source>each also on the other side</source>
        <translation>jede auch auf der anderen Seite</translation>
    </message>
    <message>
        <source>each connected piece goes with the one joint that is nearest to most of it</source>
        <translation>jedes zusammenhängende Stück geht mit dem einen Gelenk, das den meisten seiner Punkte am nächsten ist</translation>
    </message>
    <message>
        <source>each frame that is needed</source>
        <translation>jedes Bild, das nötig ist</translation>
    </message>
    <message>
        <source>each of {} finds its pixel</source>
        <translation>jeder findet sein Pixel: {}</translation>
    </message>
    <message>
        <source>each strand to its root, as a whole</source>
        <translation>jede Strähne zu ihrer Wurzel, als Ganzes</translation>
    </message>
    <message>
        <source>each thing that stands by itself, with its own skeleton</source>
        <translation>jedes Ding, das für sich steht, mit eigenem Skelett</translation>
    </message>
    <message>
        <source>each where it was</source>
        <translation>jeder, wo er war</translation>
    </message>
    <message>
        <source>each with the skeleton only</source>
        <translation>jeder nur mit dem Skelett</translation>
    </message>
    <message>
        <source>each word capitalised</source>
        <translation>jedes Wort groß</translation>
    </message>
    <message>
        <source>ear</source>
        <translation>Ohr</translation>
    </message>
    <message>
        <source>empty</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>empty: each clip's own</source>
        <translation>leer: die eigene jedes Clips</translation>
    </message>
    <message>
        <source>empty: the clips themselves are mirrored</source>
        <translation>leer: die Clips selbst werden gespiegelt</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>end of a chain</source>
        <translation>Ende einer Kette</translation>
    </message>
    <message>
        <source>ended with {}.</source>
        <translation>endete mit {}.</translation>
    </message>
    <message>
        <source>ends at frame {}, but "{}" has {} (0 to {}).</source>
        <translation>endet bei Bild {}, doch „{}“ hat {} (0 bis {}).</translation>
    </message>
    <message>
        <source>ends too early</source>
        <translation>endet zu früh</translation>
    </message>
    <message>
        <source>ends too early or is broken</source>
        <translation>endet zu früh oder ist fehlerhaft</translation>
    </message>
    <message>
        <source>every joint and point has the scale 1 already</source>
        <translation>jedes Gelenk und jeder Punkt hat schon die Skalierung 1</translation>
    </message>
    <message>
        <source>every joint hangs there already</source>
        <translation>jedes Gelenk hängt schon dort</translation>
    </message>
    <message>
        <source>every joint stands so already</source>
        <translation>jedes Gelenk steht schon so</translation>
    </message>
    <message>
        <source>every material and every slot is there once</source>
        <translation>jedes Material und jeder Slot ist einmal da</translation>
    </message>
    <message>
        <source>every shape moves something</source>
        <translation>jede Form bewegt etwas</translation>
    </message>
    <message>
        <source>every surface has weights already: name those that are to be bound anew</source>
        <translation>jede Oberfläche hat schon Gewichte: nennen Sie die, die neu gebunden werden sollen</translation>
    </message>
    <message>
        <source>everything {:.6g}° about {}</source>
        <translation>alles {:.6g}° um {}</translation>
    </message>
    <message>
        <source>exactly 1</source>
        <translation>genau 1</translation>
    </message>
    <message>
        <source>extension</source>
        <translation>Erweiterung</translation>
    </message>
    <message>
        <source>extensions of {}</source>
        <translation>Erweiterungen von {}</translation>
    </message>
    <message>
        <source>extras</source>
        <translation>Zusatzangaben</translation>
    </message>
    <message>
        <source>extras of primitive {}</source>
        <translation>Zusatzangaben von Teil {}</translation>
    </message>
    <message>
        <source>extras of {}</source>
        <translation>Zusatzangaben von {}</translation>
    </message>
    <message>
        <source>extras of {} are kept only from the first source.</source>
        <translation>Zusatzangaben von {} bleiben nur aus der ersten Quelle.</translation>
    </message>
    <message>
        <source>extras or extensions</source>
        <translation>Zusatzangaben oder Erweiterungen</translation>
    </message>
    <message>
        <source>extras or extensions of its mesh</source>
        <translation>Zusatzangaben oder Erweiterungen seines Netzes</translation>
    </message>
    <message>
        <source>extras or extensions of its skin</source>
        <translation>Zusatzangaben oder Erweiterungen seines Skins</translation>
    </message>
    <message>
        <source>extras or extensions of its surface</source>
        <translation>Zusatzangaben oder Erweiterungen seiner Oberfläche</translation>
    </message>
    <message>
        <source>eyes before the head</source>
        <translation>Augen vor dem Kopf</translation>
    </message>
    <message>
        <source>f %1 of %2 · %3 s</source>
        <translation>B %1 von %2 · %3 s</translation>
    </message>
    <message>
        <source>faces %1</source>
        <translation>schaut nach %1</translation>
    </message>
    <message>
        <source>faces with and without normals under one material: there they have none.</source>
        <translation>Flächen mit und ohne Normalen unter einem Material: dort haben sie keine.</translation>
    </message>
    <message>
        <source>facing not told</source>
        <translation>Richtung nicht gesagt</translation>
    </message>
    <message>
        <source>facts about the file or a piece; names a packet</source>
        <translation>Angaben über die Datei oder ein Stück; nennt ein Päckchen</translation>
    </message>
    <message>
        <source>fades in</source>
        <translation>ein in</translation>
    </message>
    <message>
        <source>failed</source>
        <translation>misslungen</translation>
    </message>
    <message>
        <source>far plane</source>
        <translation>ferne Ebene</translation>
    </message>
    <message>
        <source>farthest at %1, frame %2%3</source>
        <translation>am weitesten bei %1, Bild %2%3</translation>
    </message>
    <message>
        <source>farthest now %1 mm</source>
        <translation>weitester jetzt %1 mm</translation>
    </message>
    <message>
        <source>feet free</source>
        <translation>Füße frei</translation>
    </message>
    <message>
        <source>feet planted</source>
        <translation>Füße fest</translation>
    </message>
    <message>
        <source>fewer than two shapes fit</source>
        <translation>weniger als zwei Formen passen</translation>
    </message>
    <message>
        <source>field of view</source>
        <translation>Blickwinkel</translation>
    </message>
    <message>
        <source>figure</source>
        <translation>Figur</translation>
    </message>
    <message>
        <source>find it again, replace it, or take it out of the job's sources</source>
        <translation>finden Sie sie wieder, ersetzen Sie sie, oder nehmen Sie sie aus den Quellen des Auftrags</translation>
    </message>
    <message>
        <source>find → replace, one per line</source>
        <translation>suchen → ersetzen, eines je Zeile</translation>
    </message>
    <message>
        <source>find, e.g. ^Left(.*)$</source>
        <translation>suchen, z. B. ^Left(.*)$</translation>
    </message>
    <message>
        <source>first pose</source>
        <translation>erste Pose</translation>
    </message>
    <message>
        <source>fit the pattern</source>
        <translation>entsprechen dem Muster</translation>
    </message>
    <message>
        <source>flat</source>
        <translation>flach</translation>
    </message>
    <message>
        <source>float above</source>
        <translation>schweben über</translation>
    </message>
    <message>
        <source>follow</source>
        <translation>folgen</translation>
    </message>
    <message>
        <source>follows the pose, and misses joints of it</source>
        <translation>folgt der Pose, doch ihm fehlen Gelenke</translation>
    </message>
    <message>
        <source>follows the pose, at most %1 mm apart</source>
        <translation>folgt der Pose, höchstens %1 mm daneben</translation>
    </message>
    <message>
        <source>follows the pose; has not said where its joints are</source>
        <translation>folgt der Pose; hat nicht gesagt, wo seine Gelenke sind</translation>
    </message>
    <message>
        <source>foot</source>
        <translation>Fuß</translation>
    </message>
    <message>
        <source>for</source>
        <translation>für</translation>
    </message>
    <message>
        <source>for a frame</source>
        <translation>für ein Bild</translation>
    </message>
    <message>
        <source>for all of it; empty: as each job says</source>
        <translation>für alles; leer: wie jeder Auftrag es sagt</translation>
    </message>
    <message>
        <source>for where it is, without</source>
        <translation>für das, wo es ist, ohne</translation>
    </message>
    <message>
        <source>found out by itself</source>
        <translation>von selbst erkannt</translation>
    </message>
    <message>
        <source>fps</source>
        <translation>B/s</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>frame %1 of %2</source>
        <translation>Bild %1 von %2</translation>
    </message>
    <message>
        <source>frame 0</source>
        <translation>Bild 0</translation>
    </message>
    <message>
        <source>frame {} holds no points.</source>
        <translation>Bild {} enthält keine Punkte.</translation>
    </message>
    <message>
        <source>frame {} of “{}”</source>
        <translation>Bild {} von „{}“</translation>
    </message>
    <message>
        <source>frame {} of “{}” as “{}”, {}</source>
        <translation>Bild {} von „{}“ als „{}“, {}</translation>
    </message>
    <message>
        <source>frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>frames per second</source>
        <translation>Bilder in der Sekunde</translation>
    </message>
    <message>
        <source>frames {} to {} are no range.</source>
        <translation>Bild {} bis {} ist kein Bereich.</translation>
    </message>
    <message>
        <source>free</source>
        <translation>frei</translation>
    </message>
    <message>
        <source>front %1</source>
        <translation>vorn %1</translation>
    </message>
    <message>
        <source>gave an answer that is none.</source>
        <translation>gab eine Antwort, die keine ist.</translation>
    </message>
    <message>
        <source>gave no answer.</source>
        <translation>gab keine Antwort.</translation>
    </message>
    <message>
        <source>gets its id with the name</source>
        <translation>bekommt ihre Kennung mit dem Namen</translation>
    </message>
    <message>
        <source>gives {} to {}.</source>
        <translation>gibt {} an {}.</translation>
    </message>
    <message>
        <source>glTF 2.0, one binary file</source>
        <translation>glTF 2.0, eine binäre Datei</translation>
    </message>
    <message>
        <source>glTF 2.0, text with its buffer beside it</source>
        <translation>glTF 2.0, Text mit seinem Puffer daneben</translation>
    </message>
    <message>
        <source>glTF 2.0, text with its buffer inside</source>
        <translation>glTF 2.0, Text mit seinem Puffer darin</translation>
    </message>
    <message>
        <source>go</source>
        <translation>gehen</translation>
    </message>
    <message>
        <source>goes</source>
        <translation>geht</translation>
    </message>
    <message>
        <source>goes from key to key by “{}”; straight lines stand in.</source>
        <translation>geht von Schlüssel zu Schlüssel als „{}“; gerade Linien stehen dafür.</translation>
    </message>
    <message>
        <source>goes out</source>
        <translation>geht hinaus</translation>
    </message>
    <message>
        <source>gone</source>
        <translation>fort</translation>
    </message>
    <message>
        <source>greater than</source>
        <translation>größer als</translation>
    </message>
    <message>
        <source>grid %1 m</source>
        <translation>Raster %1 m</translation>
    </message>
    <message>
        <source>ground</source>
        <translation>Boden</translation>
    </message>
    <message>
        <source>ground rises by %1 mm</source>
        <translation>Boden steigt um %1 mm</translation>
    </message>
    <message>
        <source>guess</source>
        <translation>Vermutung</translation>
    </message>
    <message>
        <source>guide {} has no points, or more than {}.</source>
        <translation>Leitkurve {} hat keine Punkte, oder mehr als {}.</translation>
    </message>
    <message>
        <source>guide {} has no root of three numbers.</source>
        <translation>Leitkurve {} hat keine Wurzel aus drei Zahlen.</translation>
    </message>
    <message>
        <source>guides are a list of at most {}.</source>
        <translation>Leitkurven sind eine Liste von höchstens {}.</translation>
    </message>
    <message>
        <source>half height</source>
        <translation>halbe Höhe</translation>
    </message>
    <message>
        <source>half size</source>
        <translation>halbe Größe</translation>
    </message>
    <message>
        <source>half width</source>
        <translation>halbe Breite</translation>
    </message>
    <message>
        <source>hand</source>
        <translation>Hand</translation>
    </message>
    <message>
        <source>handed to {}</source>
        <translation>übergeben an {}</translation>
    </message>
    <message>
        <source>hands free</source>
        <translation>Hände frei</translation>
    </message>
    <message>
        <source>hands kept</source>
        <translation>Hände gehalten</translation>
    </message>
    <message>
        <source>hands off by %1</source>
        <translation>Hände daneben um %1</translation>
    </message>
    <message>
        <source>hangs on "{}", of which there are {}.</source>
        <translation>hängt an „{}“, von dem es {} gibt.</translation>
    </message>
    <message>
        <source>hangs on "{}", which is no chain before it.</source>
        <translation>hängt an „{}“, das keine Kette davor ist.</translation>
    </message>
    <message>
        <source>hangs on "{}", which is on both sides, and is on one.</source>
        <translation>hängt an „{}“, das auf beiden Seiten ist, und ist selbst auf einer.</translation>
    </message>
    <message>
        <source>hangs on %1</source>
        <translation>hängt an %1</translation>
    </message>
    <message>
        <source>hangs on joint {} of "{}", which has {}.</source>
        <translation>hängt an Gelenk {} von „{}“, das {} hat.</translation>
    </message>
    <message>
        <source>hangs on the root</source>
        <translation>hängt an der Wurzel</translation>
    </message>
    <message>
        <source>hard edge</source>
        <translation>harter Rand</translation>
    </message>
    <message>
        <source>has JOINTS_{0} or WEIGHTS_{0} without the other.</source>
        <translation>hat JOINTS_{0} oder WEIGHTS_{0} ohne das andere.</translation>
    </message>
    <message>
        <source>has a "{}", which is not known.</source>
        <translation>hat ein „{}“, das nicht bekannt ist.</translation>
    </message>
    <message>
        <source>has a broken list of changed elements.</source>
        <translation>hat eine fehlerhafte Liste geänderter Elemente.</translation>
    </message>
    <message>
        <source>has a child that does not exist.</source>
        <translation>hat ein Kind, das es nicht gibt.</translation>
    </message>
    <message>
        <source>has a guide that is no object.</source>
        <translation>hat einen Leitpunkt, der kein Objekt ist.</translation>
    </message>
    <message>
        <source>has a joint without a name.</source>
        <translation>hat ein Gelenk ohne Namen.</translation>
    </message>
    <message>
        <source>has a matrix with shear, which no joint can hold; the nearest rotation and scale stand in.</source>
        <translation>hat eine Matrix mit Scherung, die kein Gelenk halten kann; die nächste Drehung und Skalierung stehen dafür.</translation>
    </message>
    <message>
        <source>has a rotation of no length; it is taken as none.</source>
        <translation>hat eine Drehung ohne Länge; sie gilt als keine.</translation>
    </message>
    <message>
        <source>has a skin</source>
        <translation>hat einen Skin</translation>
    </message>
    <message>
        <source>has a source that is not a path.</source>
        <translation>hat eine Quelle, die kein Pfad ist.</translation>
    </message>
    <message>
        <source>has a source whose "{}" means nothing here.</source>
        <translation>hat eine Quelle, deren „{}“ hier nichts bedeutet.</translation>
    </message>
    <message>
        <source>has a starting weight that is not a number.</source>
        <translation>hat ein Anfangsgewicht, das keine Zahl ist.</translation>
    </message>
    <message>
        <source>has a stride of {} bytes for elements of {}.</source>
        <translation>hat einen Abstand von {} Bytes für Elemente von {}.</translation>
    </message>
    <message>
        <source>has a surface</source>
        <translation>hat eine Oberfläche</translation>
    </message>
    <message>
        <source>has a transform that is none; it is left out.</source>
        <translation>hat eine Transformation, die keine ist; sie ist weggelassen.</translation>
    </message>
    <message>
        <source>has a transform with shear, which no node can hold; the nearest rotation and scale stand in.</source>
        <translation>hat eine Transformation mit Scherung, die kein Knoten halten kann; die nächste Drehung und Skalierung stehen dafür.</translation>
    </message>
    <message>
        <source>has a triangle of vertices that are not there</source>
        <translation>hat ein Dreieck aus Punkten, die nicht da sind</translation>
    </message>
    <message>
        <source>has a variant with a material that does not exist.</source>
        <translation>hat eine Variante mit einem Material, das es nicht gibt.</translation>
    </message>
    <message>
        <source>has a vertex that is nowhere</source>
        <translation>hat einen Punkt, der nirgends ist</translation>
    </message>
    <message>
        <source>has a weight that is not between 0 and 1</source>
        <translation>hat ein Gewicht, das nicht zwischen 0 und 1 liegt</translation>
    </message>
    <message>
        <source>has an item that is none.</source>
        <translation>hat einen Posten, der keiner ist.</translation>
    </message>
    <message>
        <source>has bones up to {:.0f} % longer or shorter than the model's; the model keeps its own.</source>
        <translation>hat Knochen, die bis zu {:.0f} % länger oder kürzer sind als die des Modells; das Modell behält seine.</translation>
    </message>
    <message>
        <source>has closed curves; they are taken as open ones.</source>
        <translation>hat geschlossene Kurven; sie werden als offene genommen.</translation>
    </message>
    <message>
        <source>has colours of less than three numbers; they stay behind.</source>
        <translation>hat Farben aus weniger als drei Zahlen; sie bleiben zurück.</translation>
    </message>
    <message>
        <source>has coordinates of one number; they stay behind.</source>
        <translation>hat Koordinaten aus einer Zahl; sie bleiben zurück.</translation>
    </message>
    <message>
        <source>has coordinates of three numbers; the third stays behind.</source>
        <translation>hat Koordinaten aus drei Zahlen; die dritte bleibt zurück.</translation>
    </message>
    <message>
        <source>has embedded data that is not base64.</source>
        <translation>hat eingebettete Daten, die kein base64 sind.</translation>
    </message>
    <message>
        <source>has faces of no points; they are left out.</source>
        <translation>hat Flächen ohne Punkte; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has faces of points that are not there; the surface is left out.</source>
        <translation>hat Flächen aus Punkten, die nicht da sind; die Oberfläche ist weggelassen.</translation>
    </message>
    <message>
        <source>has indices of a type that indices cannot have.</source>
        <translation>hat Indizes einer Art, die Indizes nicht haben können.</translation>
    </message>
    <message>
        <source>has joints with shear, which no joint can hold; the nearest rotation and scale stand in.</source>
        <translation>hat Gelenke mit Scherung, die kein Gelenk halten kann; die nächste Drehung und Skalierung stehen dafür.</translation>
    </message>
    <message>
        <source>has keys after 1 000 000 s, or lasts longer; the motion is left out.</source>
        <translation>hat Schlüssel nach 1 000 000 s, oder dauert länger; die Bewegung ist weggelassen.</translation>
    </message>
    <message>
        <source>has keys before 0 s or after 1 000 000 s.</source>
        <translation>hat Schlüssel vor 0 s oder nach 1 000 000 s.</translation>
    </message>
    <message>
        <source>has metalness and roughness in other channels than blue and green of one image; they stay behind.</source>
        <translation>hat Metall und Rauheit in anderen Kanälen als Blau und Grün eines Bildes; sie bleiben zurück.</translation>
    </message>
    <message>
        <source>has more corners than can be counted.</source>
        <translation>hat mehr Ecken, als sich zählen lassen.</translation>
    </message>
    <message>
        <source>has more keys than a file of its size can mean; it moves nothing here.</source>
        <translation>hat mehr Schlüssel, als eine Datei dieser Größe meinen kann; es bewegt hier nichts.</translation>
    </message>
    <message>
        <source>has more keys than a file of its size can mean; some are left out.</source>
        <translation>hat mehr Schlüssel, als eine Datei dieser Größe meinen kann; einige sind weggelassen.</translation>
    </message>
    <message>
        <source>has more shapes than a file of its size can mean; the others are left out.</source>
        <translation>hat mehr Formen, als eine Datei dieser Größe meinen kann; die übrigen sind weggelassen.</translation>
    </message>
    <message>
        <source>has more starting weights than its surface has shapes.</source>
        <translation>hat mehr Anfangsgewichte, als seine Oberfläche Formen hat.</translation>
    </message>
    <message>
        <source>has more starting weights than shapes.</source>
        <translation>hat mehr Anfangsgewichte als Formen.</translation>
    </message>
    <message>
        <source>has more than {} elements of place; those behind are left out.</source>
        <translation>hat mehr als {} Elemente für seine Lage; die weiteren sind weggelassen.</translation>
    </message>
    <message>
        <source>has more than {} keys.</source>
        <translation>hat mehr als {} Schlüssel.</translation>
    </message>
    <message>
        <source>has more than {}.</source>
        <translation>hat mehr als {}.</translation>
    </message>
    <message>
        <source>has more vertices than a file of its size can mean; the surface is left out.</source>
        <translation>hat mehr Punkte, als eine Datei dieser Größe meinen kann; die Oberfläche ist weggelassen.</translation>
    </message>
    <message>
        <source>has more weights than a file of its size can mean; it goes without a skin.</source>
        <translation>hat mehr Gewichte, als eine Datei dieser Größe meinen kann; es bleibt ohne Skin.</translation>
    </message>
    <message>
        <source>has no "{}".</source>
        <translation>hat kein „{}“.</translation>
    </message>
    <message>
        <source>has no attributes.</source>
        <translation>hat keine Attribute.</translation>
    </message>
    <message>
        <source>has no chain that hangs on nothing.</source>
        <translation>hat keine Kette, die an nichts hängt.</translation>
    </message>
    <message>
        <source>has no channel {}.</source>
        <translation>hat keinen Kanal {}.</translation>
    </message>
    <message>
        <source>has no column "{}".</source>
        <translation>hat keine Spalte „{}“.</translation>
    </message>
    <message>
        <source>has no common effect; a plain material stands in.</source>
        <translation>hat keinen gemeinsamen Effekt; ein einfaches Material steht dafür.</translation>
    </message>
    <message>
        <source>has no data.</source>
        <translation>hat keine Daten.</translation>
    </message>
    <message>
        <source>has no destination “{}”.</source>
        <translation>hat kein Ziel „{}“.</translation>
    </message>
    <message>
        <source>has no destination.</source>
        <translation>hat kein Ziel.</translation>
    </message>
    <message>
        <source>has no item {}.</source>
        <translation>hat keinen Posten {}.</translation>
    </message>
    <message>
        <source>has no joints.</source>
        <translation>hat keine Gelenke.</translation>
    </message>
    <message>
        <source>has no key between {:.3f} s and {:.3f} s, and lasts {:.3f} s; it is shown up to the first of these, and its later keys stay.</source>
        <translation>hat keinen Schlüssel zwischen {:.3f} s und {:.3f} s und dauert {:.3f} s; gezeigt wird bis zum ersten davon, und die späteren Schlüssel bleiben.</translation>
    </message>
    <message>
        <source>has no keys.</source>
        <translation>hat keine Schlüssel.</translation>
    </message>
    <message>
        <source>has no list of "curves".</source>
        <translation>hat keine Liste „curves“.</translation>
    </message>
    <message>
        <source>has no list of "pairs".</source>
        <translation>hat keine Liste „pairs“.</translation>
    </message>
    <message>
        <source>has no name.</source>
        <translation>hat keinen Namen.</translation>
    </message>
    <message>
        <source>has no parameter "{}".</source>
        <translation>hat keine Angabe „{}“.</translation>
    </message>
    <message>
        <source>has no positions</source>
        <translation>hat keine Orte</translation>
    </message>
    <message>
        <source>has no positions; the primitive is left out.</source>
        <translation>hat keine Orte; der Teil ist weggelassen.</translation>
    </message>
    <message>
        <source>has no positions; the surface is left out.</source>
        <translation>hat keine Orte; die Oberfläche ist weggelassen.</translation>
    </message>
    <message>
        <source>has no preview surface; a plain material stands in.</source>
        <translation>hat keine Vorschau-Oberfläche; ein einfaches Material steht dafür.</translation>
    </message>
    <message>
        <source>has no setting "{}"{}</source>
        <translation>hat keine Einstellung „{}“{}</translation>
    </message>
    <message>
        <source>has no skin</source>
        <translation>hat keinen Skin</translation>
    </message>
    <message>
        <source>has no sources.</source>
        <translation>hat keine Quellen.</translation>
    </message>
    <message>
        <source>has no surface</source>
        <translation>hat keine Oberfläche</translation>
    </message>
    <message>
        <source>has no target.</source>
        <translation>hat kein Ziel.</translation>
    </message>
    <message>
        <source>has no task {}.</source>
        <translation>hat keine Aufgabe {}.</translation>
    </message>
    <message>
        <source>has normals over time that do not go with its points; they are left out.</source>
        <translation>hat Normalen über die Zeit, die nicht zu seinen Punkten passen; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has nothing on the other side</source>
        <translation>hat auf der anderen Seite nichts</translation>
    </message>
    <message>
        <source>has places for its surface of different numbers.</source>
        <translation>hat verschieden viele Orte für seine Oberfläche.</translation>
    </message>
    <message>
        <source>has places for its surface without where they are.</source>
        <translation>hat Orte für seine Oberfläche, ohne zu sagen, wo sie sind.</translation>
    </message>
    <message>
        <source>has points over time that are too many; they are left out.</source>
        <translation>hat zu viele Punkte über die Zeit; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has points over time that lie nowhere; they were put at its origin.</source>
        <translation>hat Punkte über die Zeit, die nirgends liegen; sie wurden in seinen Ursprung gelegt.</translation>
    </message>
    <message>
        <source>has several {}s; the first is read.</source>
        <translation>hat mehrere {}; die erste wird gelesen.</translation>
    </message>
    <message>
        <source>has the filter {:g}, which glTF does not know.</source>
        <translation>hat den Filter {:g}, den glTF nicht kennt.</translation>
    </message>
    <message>
        <source>has the unknown component type {}.</source>
        <translation>hat die unbekannte Art von Bestandteilen {}.</translation>
    </message>
    <message>
        <source>has the unknown interpolation "</source>
        <translation>hat die unbekannte Interpolation „</translation>
    </message>
    <message>
        <source>has the unknown mode {}.</source>
        <translation>hat die unbekannte Art {}.</translation>
    </message>
    <message>
        <source>has the unknown type "</source>
        <translation>hat die unbekannte Art „</translation>
    </message>
    <message>
        <source>has the wrap mode {:g}, which glTF does not know.</source>
        <translation>hat die Wiederholung {:g}, die glTF nicht kennt.</translation>
    </message>
    <message>
        <source>has too few guides: one for a joint, and one where the last bone ends.</source>
        <translation>hat zu wenige Leitpunkte: einen je Gelenk, und einen, wo der letzte Knochen endet.</translation>
    </message>
    <message>
        <source>has too many points.</source>
        <translation>hat zu viele Punkte.</translation>
    </message>
    <message>
        <source>has transparent pixels, which JPEG has not: it stays PNG</source>
        <translation>hat durchsichtige Pixel, die JPEG nicht kennt: es bleibt PNG</translation>
    </message>
    <message>
        <source>has two destinations "{}".</source>
        <translation>hat zwei Ziele „{}“.</translation>
    </message>
    <message>
        <source>has two joints "{}".</source>
        <translation>hat zwei Gelenke „{}“.</translation>
    </message>
    <message>
        <source>has two parents, or is its own.</source>
        <translation>hat zwei Übergeordnete, oder ist sein eigenes.</translation>
    </message>
    <message>
        <source>has vertices out of order</source>
        <translation>hat Punkte außer der Reihe</translation>
    </message>
    <message>
        <source>has weights and no skeleton; they are left out.</source>
        <translation>hat Gewichte und kein Skelett; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has weights for a joint that is not there; they are left out.</source>
        <translation>hat Gewichte für ein Gelenk, das nicht da ist; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has weights of {} and no shape: they were lost before this file was written. Ask for it once more, with its shapes (morph targets).</source>
        <translation>hat Gewichte von {} und keine Form: sie gingen verloren, bevor diese Datei geschrieben wurde. Bitten Sie noch einmal darum, mit ihren Formen (Morphzielen).</translation>
    </message>
    <message>
        <source>has weights that do not go with its points; it goes without a skin.</source>
        <translation>hat Gewichte, die nicht zu seinen Punkten passen; es bleibt ohne Skin.</translation>
    </message>
    <message>
        <source>has weights that do not go with its points; they are left out.</source>
        <translation>hat Gewichte, die nicht zu seinen Punkten passen; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has weights, and no joint above it stays to take them.</source>
        <translation>hat Gewichte, und kein Gelenk darüber bleibt, um sie zu nehmen.</translation>
    </message>
    <message>
        <source>has widths that do not go with its points; they are left out.</source>
        <translation>hat Breiten, die nicht zu seinen Punkten passen; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>has {} and not {}</source>
        <translation>hat {} und nicht {}</translation>
    </message>
    <message>
        <source>has {} chains that hang on nothing, and no root above them.</source>
        <translation>hat {} Ketten, die an nichts hängen, und keine Wurzel darüber.</translation>
    </message>
    <message>
        <source>has {} components where {} are expected.</source>
        <translation>hat {} Bestandteile, wo {} erwartet werden.</translation>
    </message>
    <message>
        <source>has {} elements: more than any file can hold.</source>
        <translation>hat {} Elemente: mehr, als eine Datei fassen kann.</translation>
    </message>
    <message>
        <source>has {} for {} joints at {}, not for {}; that moment is left out.</source>
        <translation>hat {} für {} Gelenke bei {}, nicht für {}; dieser Moment ist weggelassen.</translation>
    </message>
    <message>
        <source>has {} inverse binds for {}.</source>
        <translation>hat {} inverse Bindungen für {}.</translation>
    </message>
    <message>
        <source>has {} joints; {} are the most.</source>
        <translation>hat {} Gelenke; {} sind das Höchste.</translation>
    </message>
    <message>
        <source>has {} that lie nowhere; they were put at its origin.</source>
        <translation>ohne Ort, in seinen Ursprung gelegt: {}.</translation>
    </message>
    <message>
        <source>has {} that the model has by the same name ({}); the model's stay.</source>
        <translation>hat {}, die das Modell unter demselben Namen hat ({}); die des Modells bleiben.</translation>
    </message>
    <message>
        <source>has {} values, and {} would have {}.</source>
        <translation>hat {} Werte, und {} hätten {}.</translation>
    </message>
    <message>
        <source>has {}: a plan has one.</source>
        <translation>hat {}: ein Plan hat einen.</translation>
    </message>
    <message>
        <source>have it sent again in metres, or scale it in a job of its own</source>
        <translation>lassen Sie sie noch einmal in Metern schicken, oder skalieren Sie sie in einem eigenen Auftrag</translation>
    </message>
    <message>
        <source>heat</source>
        <translation>Wärme</translation>
    </message>
    <message>
        <source>heaviest</source>
        <translation>schwerste</translation>
    </message>
    <message>
        <source>held</source>
        <translation>gehalten</translation>
    </message>
    <message>
        <source>holds a value of another type than glTF says.</source>
        <translation>enthält einen Wert anderer Art, als glTF es sagt.</translation>
    </message>
    <message>
        <source>holds another run.</source>
        <translation>enthält einen anderen Lauf.</translation>
    </message>
    <message>
        <source>holds itself; it is left out where it does.</source>
        <translation>enthält sich selbst; dort ist es weggelassen.</translation>
    </message>
    <message>
        <source>holds neither curves nor a surface.</source>
        <translation>enthält weder Kurven noch eine Oberfläche.</translation>
    </message>
    <message>
        <source>holds no JSON.</source>
        <translation>enthält kein JSON.</translation>
    </message>
    <message>
        <source>holds no cuts.</source>
        <translation>enthält keine Schnitte.</translation>
    </message>
    <message>
        <source>holds no take.</source>
        <translation>enthält keine Aufnahme.</translation>
    </message>
    <message>
        <source>holds no takes.</source>
        <translation>enthält keine Aufnahmen.</translation>
    </message>
    <message>
        <source>holds no vertices.</source>
        <translation>enthält keine Punkte.</translation>
    </message>
    <message>
        <source>holds nothing that was delivered.</source>
        <translation>enthält nichts, was ausgeliefert wurde.</translation>
    </message>
    <message>
        <source>holds something that cannot be written: {}.</source>
        <translation>enthält etwas, das sich nicht schreiben lässt: {}.</translation>
    </message>
    <message>
        <source>holds values that its accessors cannot</source>
        <translation>enthält Werte, die seine Zugriffe nicht fassen</translation>
    </message>
    <message>
        <source>how densely “%1” may grow</source>
        <translation>wie dicht „%1“ wachsen darf</translation>
    </message>
    <message>
        <source>how far from %1</source>
        <translation>wie weit von %1</translation>
    </message>
    <message>
        <source>hull</source>
        <translation>Hülle</translation>
    </message>
    <message>
        <source>hull, move x y z, rotate x y z, grow x y z (mm and °), one per line</source>
        <translation>Hülle, move x y z, rotate x y z, grow x y z (mm und °), eine je Zeile</translation>
    </message>
    <message>
        <source>hulls · </source>
        <translation>Hüllen · </translation>
    </message>
    <message>
        <source>image</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>image {}</source>
        <translation>Bild {}</translation>
    </message>
    <message>
        <source>image “{}”: other {}</source>
        <translation>Bild „{}“: anderes {}</translation>
    </message>
    <message>
        <source>images</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>images of half the size, and less exact</source>
        <translation>Bilder von halber Größe, und weniger genau</translation>
    </message>
    <message>
        <source>in {} frame {}</source>
        <translation>in {} Bild {}</translation>
    </message>
    <message>
        <source>index of refraction</source>
        <translation>Brechzahl</translation>
    </message>
    <message>
        <source>influences per vertex</source>
        <translation>Einflüsse je Punkt</translation>
    </message>
    <message>
        <source>inner angle</source>
        <translation>innerer Winkel</translation>
    </message>
    <message>
        <source>instead of</source>
        <translation>anstelle von</translation>
    </message>
    <message>
        <source>instead of the take</source>
        <translation>statt ihrer</translation>
    </message>
    <message>
        <source>inverse bind of “{}” off by {}</source>
        <translation>inverse Bindung von „{}“ um {} daneben</translation>
    </message>
    <message>
        <source>inverse of the rest pose</source>
        <translation>Inverse der Ruhepose</translation>
    </message>
    <message>
        <source>is a camera that does not say how much it sees; 1 is taken.</source>
        <translation>ist eine Kamera, die nicht sagt, wie viel sie sieht; 1 wird genommen.</translation>
    </message>
    <message>
        <source>is a camera that does not say its field of view; 45° is taken.</source>
        <translation>ist eine Kamera, die ihren Blickwinkel nicht sagt; 45° werden genommen.</translation>
    </message>
    <message>
        <source>is a camera that says how much it sees across and no aspect; a square picture is taken.</source>
        <translation>ist eine Kamera, die ihre Breite sagt und kein Seitenverhältnis; ein quadratisches Bild wird genommen.</translation>
    </message>
    <message>
        <source>is a light of a kind that is not known; it is left out.</source>
        <translation>ist ein Licht unbekannter Art; es ist weggelassen.</translation>
    </message>
    <message>
        <source>is a “{}”, which is not read; the surface is left out.</source>
        <translation>ist ein „{}“, das nicht gelesen wird; die Oberfläche ist weggelassen.</translation>
    </message>
    <message>
        <source>is a “{}”; of those only the place is read.</source>
        <translation>ist ein „{}“; davon wird nur die Lage gelesen.</translation>
    </message>
    <message>
        <source>is an animation that nothing is bound to.</source>
        <translation>ist eine Animation, an die nichts gebunden ist.</translation>
    </message>
    <message>
        <source>is an image of a size that is not taken.</source>
        <translation>ist ein Bild einer Größe, die nicht genommen wird.</translation>
    </message>
    <message>
        <source>is animated there in a way that is not read, and stays behind.</source>
        <translation>wird dort auf eine Weise bewegt, die nicht gelesen wird, und bleibt zurück.</translation>
    </message>
    <message>
        <source>is animated there; it is no node that is read, and stays behind.</source>
        <translation>wird dort bewegt; es ist kein Knoten, der gelesen wird, und bleibt zurück.</translation>
    </message>
    <message>
        <source>is animated there; it is no shape that is read, and stays behind.</source>
        <translation>wird dort bewegt; es ist keine Form, die gelesen wird, und bleibt zurück.</translation>
    </message>
    <message>
        <source>is animated twice at a time; the first holds.</source>
        <translation>wird zur selben Zeit zweimal bewegt; das erste gilt.</translation>
    </message>
    <message>
        <source>is another scene of the file than the one it shows; it is left out.</source>
        <translation>ist eine andere Szene der Datei als die gezeigte; sie ist weggelassen.</translation>
    </message>
    <message>
        <source>is bound to a joint “{}” that its skeleton has not.</source>
        <translation>ist an ein Gelenk „{}“ gebunden, das sein Skelett nicht hat.</translation>
    </message>
    <message>
        <source>is bound to a skeleton that is not there.</source>
        <translation>ist an ein Skelett gebunden, das nicht da ist.</translation>
    </message>
    <message>
        <source>is called “{}”</source>
        <translation>heißt „{}“</translation>
    </message>
    <message>
        <source>is compressed ({}) and cannot be unpacked: it {}. Nothing plain stands beside it.</source>
        <translation>ist verdichtet ({}) und lässt sich nicht entpacken: {}. Nichts Unverdichtetes steht daneben.</translation>
    </message>
    <message>
        <source>is empty.</source>
        <translation>ist leer.</translation>
    </message>
    <message>
        <source>is fed by “{}”, which is not read.</source>
        <translation>wird von „{}“ gespeist, das nicht gelesen wird.</translation>
    </message>
    <message>
        <source>is glTF </source>
        <translation>is glTF </translation>
    </message>
    <message>
        <source>is hidden there; it is read all the same.</source>
        <translation>ist dort verborgen; es wird dennoch gelesen.</translation>
    </message>
    <message>
        <source>is in seconds, and no take is there to count its frames by.</source>
        <translation>ist in Sekunden, und keine Aufnahme ist da, um nach ihr zu zählen.</translation>
    </message>
    <message>
        <source>is its own ancestor: the nodes go round in a circle.</source>
        <translation>ist sein eigener Vorfahr: die Knoten gehen im Kreis.</translation>
    </message>
    <message>
        <source>is larger than 4 GiB.</source>
        <translation>ist größer als 4 GiB.</translation>
    </message>
    <message>
        <source>is larger than 8192 by 8192 pixels</source>
        <translation>ist größer als 8192 mal 8192 Pixel</translation>
    </message>
    <message>
        <source>is light from all sides, which no scene here has; it is left out.</source>
        <translation>ist Licht von allen Seiten, das hier keine Szene hat; es ist weggelassen.</translation>
    </message>
    <message>
        <source>is longer than it says</source>
        <translation>ist länger, als es sagt</translation>
    </message>
    <message>
        <source>is meant as a {} only; it is read all the same.</source>
        <translation>ist nur als {} gemeint; es wird dennoch gelesen.</translation>
    </message>
    <message>
        <source>is missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>is moved by an animation that is not there.</source>
        <translation>wird von einer Animation bewegt, die nicht da ist.</translation>
    </message>
    <message>
        <source>is neither a PNG nor a JPEG nor a WebP</source>
        <translation>ist weder ein PNG noch ein JPEG noch ein WebP</translation>
    </message>
    <message>
        <source>is nested more than {} levels deep.</source>
        <translation>ist mehr als {} Ebenen tief verschachtelt.</translation>
    </message>
    <message>
        <source>is newer there: revision {}, and this one comes from {}.</source>
        <translation>ist dort neuer: Fassung {}, und dieses kommt aus {}.</translation>
    </message>
    <message>
        <source>is no JPEG that can be read</source>
        <translation>ist kein lesbares JPEG</translation>
    </message>
    <message>
        <source>is no PNG that can be read</source>
        <translation>ist kein lesbares PNG</translation>
    </message>
    <message>
        <source>is no controller of this file.</source>
        <translation>ist kein Controller dieser Datei.</translation>
    </message>
    <message>
        <source>is no file, or too large.</source>
        <translation>ist keine Datei, oder zu groß.</translation>
    </message>
    <message>
        <source>is no folder.</source>
        <translation>ist kein Ordner.</translation>
    </message>
    <message>
        <source>is no geometry of this file.</source>
        <translation>ist keine Geometrie dieser Datei.</translation>
    </message>
    <message>
        <source>is no list of cuts.</source>
        <translation>ist keine Liste von Schnitten.</translation>
    </message>
    <message>
        <source>is no list of guides.</source>
        <translation>ist keine Liste von Leitpunkten.</translation>
    </message>
    <message>
        <source>is no longer in the job.</source>
        <translation>ist nicht mehr im Auftrag.</translation>
    </message>
    <message>
        <source>is no material of this file.</source>
        <translation>ist kein Material dieser Datei.</translation>
    </message>
    <message>
        <source>is no material, but something is to have it.</source>
        <translation>ist kein Material, doch etwas soll es haben.</translation>
    </message>
    <message>
        <source>is no node of this file.</source>
        <translation>ist kein Knoten dieser Datei.</translation>
    </message>
    <message>
        <source>is no object.</source>
        <translation>ist kein Objekt.</translation>
    </message>
    <message>
        <source>is no package: it has no package.json.</source>
        <translation>ist kein Paket: es hat keine package.json.</translation>
    </message>
    <message>
        <source>is no package: its package.json is not one.</source>
        <translation>ist kein Paket: seine package.json ist keine.</translation>
    </message>
    <message>
        <source>is no painted surface</source>
        <translation>ist keine gemalte Oberfläche</translation>
    </message>
    <message>
        <source>is no picture of a kind that glTF knows.</source>
        <translation>ist kein Bild einer Art, die glTF kennt.</translation>
    </message>
    <message>
        <source>is no stroke</source>
        <translation>ist kein Strich</translation>
    </message>
    <message>
        <source>is no table of limits by joint.</source>
        <translation>ist keine Tabelle von Grenzen je Gelenk.</translation>
    </message>
    <message>
        <source>is no whole still WebP picture.</source>
        <translation>ist kein ganzes, stehendes WebP-Bild.</translation>
    </message>
    <message>
        <source>is no {} of this file.</source>
        <translation>ist keine {} dieser Datei.</translation>
    </message>
    <message>
        <source>is not</source>
        <translation>nicht ist</translation>
    </message>
    <message>
        <source>is not a JSON object.</source>
        <translation>ist kein JSON-Objekt.</translation>
    </message>
    <message>
        <source>is not a Wembrix job.</source>
        <translation>ist kein Wembrix-Auftrag.</translation>
    </message>
    <message>
        <source>is not a contract: it needs "name" and a list of "joints".</source>
        <translation>ist kein Vertrag: er braucht „name“ und eine Liste „joints“.</translation>
    </message>
    <message>
        <source>is not a destination: it has no "name".</source>
        <translation>ist kein Ziel: es hat kein „name“.</translation>
    </message>
    <message>
        <source>is not a file.</source>
        <translation>ist keine Datei.</translation>
    </message>
    <message>
        <source>is not a map of joints.</source>
        <translation>ist keine Zuordnung von Gelenken.</translation>
    </message>
    <message>
        <source>is not a plan of a skeleton.</source>
        <translation>ist kein Plan eines Skeletts.</translation>
    </message>
    <message>
        <source>is not a route card: it has no list "steps".</source>
        <translation>ist keine Laufkarte: sie hat keine Liste „steps“.</translation>
    </message>
    <message>
        <source>is not an object.</source>
        <translation>ist kein Objekt.</translation>
    </message>
    <message>
        <source>is not as it was delivered.</source>
        <translation>ist nicht, wie es ausgeliefert wurde.</translation>
    </message>
    <message>
        <source>is not as long as it says</source>
        <translation>ist nicht so lang, wie es sagt</translation>
    </message>
    <message>
        <source>is not of the form #RRGGBB.</source>
        <translation>ist nicht von der Form #RRGGBB.</translation>
    </message>
    <message>
        <source>is not the plan of a farm.</source>
        <translation>ist nicht der Plan einer Farm.</translation>
    </message>
    <message>
        <source>is not there, nor is the folder above it.</source>
        <translation>ist nicht da, und auch der Ordner darüber nicht.</translation>
    </message>
    <message>
        <source>is not there, or cannot be reached.</source>
        <translation>ist nicht da, oder nicht zu erreichen.</translation>
    </message>
    <message>
        <source>is not valid JSON near byte {}.</source>
        <translation>ist nahe Byte {} kein gültiges JSON.</translation>
    </message>
    <message>
        <source>is not valid JSON.</source>
        <translation>ist kein gültiges JSON.</translation>
    </message>
    <message>
        <source>is nothing that the second reader reads: a .glb, .gltf or .dae.</source>
        <translation>ist nichts, was der zweite Leser liest: eine .glb, .gltf oder .dae.</translation>
    </message>
    <message>
        <source>is of another version, or of more vertices or triangles than its accessors say</source>
        <translation>ist von anderer Fassung, oder hat mehr Punkte oder Dreiecke, als seine Zugriffe sagen</translation>
    </message>
    <message>
        <source>is packed as triangles, and its count is not three each.</source>
        <translation>ist als Dreiecke verdichtet, und seine Anzahl ist keine drei je Stück.</translation>
    </message>
    <message>
        <source>is packed in an unknown mode, "</source>
        <translation>ist auf unbekannte Art verdichtet, „</translation>
    </message>
    <message>
        <source>is packed with a filter that indices cannot have.</source>
        <translation>ist mit einem Filter verdichtet, den Indizes nicht haben können.</translation>
    </message>
    <message>
        <source>is packed with the filter "</source>
        <translation>ist mit dem Filter verdichtet „</translation>
    </message>
    <message>
        <source>is packed, and names no buffer.</source>
        <translation>ist verdichtet und nennt keinen Puffer.</translation>
    </message>
    <message>
        <source>is packed, {} elements of {} bytes, and does not say as many bytes itself.</source>
        <translation>ist verdichtet, {} Elemente von {} Bytes, und sagt selbst nicht so viele Bytes.</translation>
    </message>
    <message>
        <source>is rooted on a surface that is not there.</source>
        <translation>ist auf einer Oberfläche verwurzelt, die nicht da ist.</translation>
    </message>
    <message>
        <source>is sheared while it moves; its places are taken without that.</source>
        <translation>ist in Bewegung geschert; seine Lagen werden ohne das genommen.</translation>
    </message>
    <message>
        <source>is sheared; its place is taken without that.</source>
        <translation>ist geschert; seine Lage wird ohne das genommen.</translation>
    </message>
    <message>
        <source>is skewed; its place is taken without that.</source>
        <translation>ist schief; seine Lage wird ohne das genommen.</translation>
    </message>
    <message>
        <source>is stored as other numbers</source>
        <translation>ist in anderen Zahlen gespeichert</translation>
    </message>
    <message>
        <source>is switched off there and left out.</source>
        <translation>ist dort ausgeschaltet und weggelassen.</translation>
    </message>
    <message>
        <source>is taken for its shapes: {} that are no surface of the model and {} stay out.</source>
        <translation>wird für seine Formen genommen: {}, die keine Oberfläche des Modells sind, und {} bleiben draußen.</translation>
    </message>
    <message>
        <source>is the file of “{}”.</source>
        <translation>ist die Datei von „{}“.</translation>
    </message>
    <message>
        <source>is there already.</source>
        <translation>ist schon da.</translation>
    </message>
    <message>
        <source>is there and is no destination: it stays as it is.</source>
        <translation>ist da und ist kein Ziel: es bleibt, wie es ist.</translation>
    </message>
    <message>
        <source>is there in ten thousand versions.</source>
        <translation>ist in zehntausend Fassungen da.</translation>
    </message>
    <message>
        <source>is there twice.</source>
        <translation>ist zweimal da.</translation>
    </message>
    <message>
        <source>is to be subdivided ({}); its cage is taken as it is.</source>
        <translation>soll unterteilt werden ({}); sein Käfig wird genommen, wie er ist.</translation>
    </message>
    <message>
        <source>is too much</source>
        <translation>ist zu viel</translation>
    </message>
    <message>
        <source>is version {}; only version 2 is read.</source>
        <translation>ist Fassung {}; nur Fassung 2 wird gelesen.</translation>
    </message>
    <message>
        <source>is wholly transparent by what it says, which is often written for none at all; it is taken for opaque.</source>
        <translation>ist nach eigener Auskunft ganz durchsichtig, was oft für gar nicht geschrieben wird; es gilt als undurchsichtig.</translation>
    </message>
    <message>
        <source>it asks for more of no file.</source>
        <translation>er verlangt mehr von keiner Datei.</translation>
    </message>
    <message>
        <source>it called this machine “%1”</source>
        <translation>er nannte diesen Rechner „%1“</translation>
    </message>
    <message>
        <source>it cannot be read any more</source>
        <translation>es lässt sich nicht mehr lesen</translation>
    </message>
    <message>
        <source>it could not be run, or was killed</source>
        <translation>er ließ sich nicht ausführen, oder wurde beendet</translation>
    </message>
    <message>
        <source>it did not say who it is</source>
        <translation>er hat nicht gesagt, wer er ist</translation>
    </message>
    <message>
        <source>it does not begin as a binary USD file does.</source>
        <translation>sie beginnt nicht, wie eine binäre USD-Datei beginnt.</translation>
    </message>
    <message>
        <source>it does not begin with “#usda 1.0”.</source>
        <translation>sie beginnt nicht mit „#usda 1.0“.</translation>
    </message>
    <message>
        <source>it ended each time before it was done</source>
        <translation>er endete jedes Mal, bevor er fertig war</translation>
    </message>
    <message>
        <source>it ended with {}</source>
        <translation>endete mit {}</translation>
    </message>
    <message>
        <source>it has fewer</source>
        <translation>es hat weniger</translation>
    </message>
    <message>
        <source>it has more than {} nodes.</source>
        <translation>es hat mehr als {} Knoten.</translation>
    </message>
    <message>
        <source>it has no clip of that name</source>
        <translation>es hat keinen Clip dieses Namens</translation>
    </message>
    <message>
        <source>it has no paths</source>
        <translation>sie hat keine Pfade</translation>
    </message>
    <message>
        <source>it has no section {}</source>
        <translation>es hat keinen Abschnitt {}</translation>
    </message>
    <message>
        <source>it has no surface</source>
        <translation>es hat keine Oberfläche</translation>
    </message>
    <message>
        <source>it has none for </source>
        <translation>es hat keines für </translation>
    </message>
    <message>
        <source>it has two prims called “{}”</source>
        <translation>es hat zwei Prims namens „{}“</translation>
    </message>
    <message>
        <source>it has {} more</source>
        <translation>es hat mehr: {}</translation>
    </message>
    <message>
        <source>it holds a byte that is no text.</source>
        <translation>sie enthält ein Byte, das kein Text ist.</translation>
    </message>
    <message>
        <source>it imported nothing</source>
        <translation>es las nichts ein</translation>
    </message>
    <message>
        <source>it is XML, but no COLLADA.</source>
        <translation>es ist XML, doch kein COLLADA.</translation>
    </message>
    <message>
        <source>it is in the motion as it came</source>
        <translation>es steckt in der Bewegung, wie sie kam</translation>
    </message>
    <message>
        <source>it is no XML that can be read: {} at byte {}.</source>
        <translation>es ist kein lesbares XML: {} bei Byte {}.</translation>
    </message>
    <message>
        <source>it is of version 0.{}, which is older than what is read</source>
        <translation>es ist Fassung 0.{}, älter als das, was gelesen wird</translation>
    </message>
    <message>
        <source>it is of version {}.{}, which is newer than what is read</source>
        <translation>es ist Fassung {}.{}, neuer als das, was gelesen wird</translation>
    </message>
    <message>
        <source>it is too short to blend</source>
        <translation>zum Überblenden ist er zu kurz</translation>
    </message>
    <message>
        <source>it lasts otherwise there</source>
        <translation>er dauert dort anders</translation>
    </message>
    <message>
        <source>it lies {:.3f} mm from where it should</source>
        <translation>es liegt {:.3f} mm neben seinem Platz</translation>
    </message>
    <message>
        <source>it looks another way than Prepared</source>
        <translation>es schaut anders als im Vorbereiteten</translation>
    </message>
    <message>
        <source>it made nothing of it</source>
        <translation>er machte nichts daraus</translation>
    </message>
    <message>
        <source>it made something of no file.</source>
        <translation>er machte etwas aus keiner Datei.</translation>
    </message>
    <message>
        <source>it makes more than {} prims of itself.</source>
        <translation>es macht mehr als {} Prims aus sich.</translation>
    </message>
    <message>
        <source>it stands on that side all through a take</source>
        <translation>auf dieser Seite steht es eine ganze Aufnahme hindurch</translation>
    </message>
    <message>
        <source>it stands {:.4g} m tall, it stood {:.4g} m</source>
        <translation>es ist {:.4g} m groß, es war {:.4g} m</translation>
    </message>
    <message>
        <source>it was said in the list of sources</source>
        <translation>es wurde in der Liste der Quellen gesagt</translation>
    </message>
    <message>
        <source>its address has a broken % sign.</source>
        <translation>seine Adresse hat ein fehlerhaftes %-Zeichen.</translation>
    </message>
    <message>
        <source>its clips are not ticked for delivery</source>
        <translation>seine Clips sind nicht zum Ausliefern angehakt</translation>
    </message>
    <message>
        <source>its corners are {:.3f} mm elsewhere</source>
        <translation>seine Ecken liegen {:.3f} mm anderswo</translation>
    </message>
    <message>
        <source>its end lies between two frames at {:g} per second: it is {:.1f} ms longer</source>
        <translation>sein Ende liegt zwischen zwei Bildern, {:g} in der Sekunde: er ist {:.1f} ms länger</translation>
    </message>
    <message>
        <source>its faces are wound the other way; they were turned around.</source>
        <translation>seine Flächen laufen andersherum um; sie wurden umgedreht.</translation>
    </message>
    <message>
        <source>its fields are broken</source>
        <translation>ihre Felder sind fehlerhaft</translation>
    </message>
    <message>
        <source>its form “{}” between rest and “{}” is at no weight of its own; it is left out.</source>
        <translation>seine Gestalt „{}“ zwischen Ruhe und „{}“ liegt bei keinem eigenen Gewicht; sie ist weggelassen.</translation>
    </message>
    <message>
        <source>its image “{}” names no file.</source>
        <translation>sein Bild „{}“ nennt keine Datei.</translation>
    </message>
    <message>
        <source>its joint {} is “{}” and not “{}”</source>
        <translation>sein Gelenk {} ist „{}“ und nicht „{}“</translation>
    </message>
    <message>
        <source>its keys are out of order or no numbers; it moves nothing here.</source>
        <translation>seine Schlüssel sind nicht in Reihenfolge oder keine Zahlen; es bewegt hier nichts.</translation>
    </message>
    <message>
        <source>its keys' frames do not ascend.</source>
        <translation>die Bilder seiner Schlüssel steigen nicht an.</translation>
    </message>
    <message>
        <source>its lists are too long</source>
        <translation>ihre Listen sind zu lang</translation>
    </message>
    <message>
        <source>its manifest does not say what it was made from</source>
        <translation>sein Verzeichnis sagt nicht, woraus es gemacht wurde</translation>
    </message>
    <message>
        <source>its mesh is called “{}” and not “{}”</source>
        <translation>sein Netz heißt „{}“ und nicht „{}“</translation>
    </message>
    <message>
        <source>its nodes are listed in scene 63 now: no more than 64 are told apart.</source>
        <translation>seine Knoten stehen jetzt in Szene 63: mehr als 64 werden nicht unterschieden.</translation>
    </message>
    <message>
        <source>its numbers are written with commas; they are read as points.</source>
        <translation>seine Zahlen sind mit Kommas geschrieben; sie werden als Punkte gelesen.</translation>
    </message>
    <message>
        <source>its numbers may point into lists of the file, and it is not known which</source>
        <translation>ihre Zahlen zeigen vielleicht in Listen der Datei, und es ist nicht bekannt, in welche</translation>
    </message>
    <message>
        <source>its own</source>
        <translation>seine eigenen</translation>
    </message>
    <message>
        <source>its own picture: </source>
        <translation>sein eigenes Bild: </translation>
    </message>
    <message>
        <source>its paths are broken</source>
        <translation>ihre Pfade sind fehlerhaft</translation>
    </message>
    <message>
        <source>its paths have two roots</source>
        <translation>ihre Pfade haben zwei Wurzeln</translation>
    </message>
    <message>
        <source>its paths lead nowhere</source>
        <translation>ihre Pfade führen nirgendwohin</translation>
    </message>
    <message>
        <source>its sets of fields are broken</source>
        <translation>ihre Feldsätze sind fehlerhaft</translation>
    </message>
    <message>
        <source>its shape “{}” does not go with its points.</source>
        <translation>seine Form „{}“ passt nicht zu seinen Punkten.</translation>
    </message>
    <message>
        <source>its shape “{}” does not go with its points; it moves nothing here.</source>
        <translation>seine Form „{}“ passt nicht zu seinen Punkten; sie bewegt hier nichts.</translation>
    </message>
    <message>
        <source>its shape “{}” is not there.</source>
        <translation>seine Form „{}“ ist nicht da.</translation>
    </message>
    <message>
        <source>its shape “{}” moves points that are not there.</source>
        <translation>seine Form „{}“ bewegt Punkte, die nicht da sind.</translation>
    </message>
    <message>
        <source>its shapes change {}, which it does not have itself: that is left out.</source>
        <translation>ihre Formen ändern {}, das sie selbst nicht hat: das ist weggelassen.</translation>
    </message>
    <message>
        <source>its skin is called “{}” and not “{}”</source>
        <translation>sein Skin heißt „{}“ und nicht „{}“</translation>
    </message>
    <message>
        <source>its specs are broken</source>
        <translation>ihre Specs sind fehlerhaft</translation>
    </message>
    <message>
        <source>its strings are broken</source>
        <translation>ihre Zeichenketten sind fehlerhaft</translation>
    </message>
    <message>
        <source>its subset “{}” has no material and is left out.</source>
        <translation>seine Teilmenge „{}“ hat kein Material und ist weggelassen.</translation>
    </message>
    <message>
        <source>its surface stood at {} by an extension; each is a node below it now</source>
        <translation>seine Oberfläche stand durch eine Erweiterung an {}; jeder ist jetzt ein Knoten darunter</translation>
    </message>
    <message>
        <source>its table of contents is none</source>
        <translation>ihr Inhaltsverzeichnis ist keines</translation>
    </message>
    <message>
        <source>its table of contents leads out of the file</source>
        <translation>ihr Inhaltsverzeichnis führt aus der Datei</translation>
    </message>
    <message>
        <source>its tangents say no side and stay behind.</source>
        <translation>seine Tangenten sagen keine Seite und bleiben zurück.</translation>
    </message>
    <message>
        <source>its times and values do not go together; it moves nothing here.</source>
        <translation>seine Zeiten und Werte passen nicht zusammen; es bewegt hier nichts.</translation>
    </message>
    <message>
        <source>its token is not the one of this session</source>
        <translation>sein Kennwort ist nicht das dieser Sitzung</translation>
    </message>
    <message>
        <source>its tokens are broken</source>
        <translation>ihre Tokens sind fehlerhaft</translation>
    </message>
    <message>
        <source>its vertices would not come back in their order.</source>
        <translation>seine Punkte kämen nicht in ihrer Reihenfolge zurück.</translation>
    </message>
    <message>
        <source>its {} curves became lines of {} from {}.</source>
        <translation>seine {} Kurven wurden Linien aus {} von {}.</translation>
    </message>
    <message>
        <source>its {} have {} that are no numbers; 0 stands in.</source>
        <translation>sein {}: {} sind keine Zahlen; 0 steht dafür.</translation>
    </message>
    <message>
        <source>its {} scenes are one with the first source's.</source>
        <translation>seine {} Szenen sind eins mit denen der ersten Quelle.</translation>
    </message>
    <message>
        <source>its {} stay behind.</source>
        <translation>sein {} bleibt zurück.</translation>
    </message>
    <message>
        <source>its {} stay behind: materials are metalness and roughness here.</source>
        <translation>sein {} bleibt zurück: Materialien sind hier Metall und Rauheit.</translation>
    </message>
    <message>
        <source>its {} stay out: it was taken as motion for the model's joints.</source>
        <translation>draußen bleiben: {}; es wurde als Bewegung für die Gelenke des Modells genommen.</translation>
    </message>
    <message>
        <source>its “{}” counts in values that are not there.</source>
        <translation>sein „{}“ zählt in Werten, die nicht da sind.</translation>
    </message>
    <message>
        <source>its “{}” counts in values that are not there; 0 stands in.</source>
        <translation>sein „{}“ zählt in Werten, die nicht da sind; 0 steht dafür.</translation>
    </message>
    <message>
        <source>its “{}” has more than 16 numbers a value; it stays behind.</source>
        <translation>sein „{}“ hat mehr als 16 Zahlen je Wert; es bleibt zurück.</translation>
    </message>
    <message>
        <source>its “{}” has no values and stays behind.</source>
        <translation>sein „{}“ hat keine Werte und bleibt zurück.</translation>
    </message>
    <message>
        <source>its “{}” has too few numbers; it is left out.</source>
        <translation>sein „{}“ hat zu wenige Zahlen; es ist weggelassen.</translation>
    </message>
    <message>
        <source>its “{}” has {} that are no numbers; 0 stands in.</source>
        <translation>sein „{}“ enthält keine Zahlen: {}; 0 steht dafür.</translation>
    </message>
    <message>
        <source>its “{}” has {} where {} are expected; it stays behind.</source>
        <translation>sein „{}“ hat {}, wo {} erwartet werden; es bleibt zurück.</translation>
    </message>
    <message>
        <source>its “{}” is bound to no material.</source>
        <translation>sein „{}“ ist an kein Material gebunden.</translation>
    </message>
    <message>
        <source>its “{}” is not one value a curve and stays behind.</source>
        <translation>sein „{}“ ist nicht ein Wert je Kurve und bleibt zurück.</translation>
    </message>
    <message>
        <source>its “{}” is spread as “{}”, which is not read.</source>
        <translation>sein „{}“ ist als „{}“ verteilt, was nicht gelesen wird.</translation>
    </message>
    <message>
        <source>its “{}” is text and stays behind.</source>
        <translation>sein „{}“ ist Text und bleibt zurück.</translation>
    </message>
    <message>
        <source>its “{}” stays behind.</source>
        <translation>sein „{}“ bleibt zurück.</translation>
    </message>
    <message>
        <source>joint</source>
        <translation>Gelenk</translation>
    </message>
    <message>
        <source>joint here → joint of the contract, one per line</source>
        <translation>Gelenk hier → Gelenk des Vertrags, eines je Zeile</translation>
    </message>
    <message>
        <source>joint names differ only in capitals</source>
        <translation>Gelenknamen unterscheiden sich nur in der Großschreibung</translation>
    </message>
    <message>
        <source>joint of the take → joint here</source>
        <translation>Gelenk der Aufnahme → Gelenk hier</translation>
    </message>
    <message>
        <source>joint {} is “{}” and should be “{}”</source>
        <translation>Gelenk {} ist „{}“ und sollte „{}“ sein</translation>
    </message>
    <message>
        <source>joint → joint below, where it has several</source>
        <translation>Gelenk → Gelenk darunter, wo es mehrere hat</translation>
    </message>
    <message>
        <source>joint → the one it is to hang on, one per line</source>
        <translation>Gelenk → das, woran es hängen soll, eines je Zeile</translation>
    </message>
    <message>
        <source>joint; empty: the pelvis, as far as it can be told</source>
        <translation>Gelenk; leer: das Becken, soweit erkennbar</translation>
    </message>
    <message>
        <source>joints</source>
        <translation>Gelenke</translation>
    </message>
    <message>
        <source>joints at the end of a chain</source>
        <translation>Gelenke am Ende einer Kette</translation>
    </message>
    <message>
        <source>joints in order, one per line</source>
        <translation>Gelenke in Reihenfolge, eines je Zeile</translation>
    </message>
    <message>
        <source>joints share a name once prefixes are off</source>
        <translation>Gelenke teilen einen Namen, sobald Vorsätze weg sind</translation>
    </message>
    <message>
        <source>joints that are missing or of another length come from the source: insert them at the Joints station, or ask for another file</source>
        <translation>Gelenke, die fehlen oder eine andere Länge haben, kommen aus der Quelle: fügen Sie sie an der Station Gelenke ein, oder bitten Sie um eine andere Datei</translation>
    </message>
    <message>
        <source>joints that are to hang on it, one per line</source>
        <translation>Gelenke, die daran hängen sollen, eines je Zeile</translation>
    </message>
    <message>
        <source>joints that have no weights, nor any joint below them</source>
        <translation>Gelenke ohne Gewichte, auch alle darunter</translation>
    </message>
    <message>
        <source>joints with none below them may get some</source>
        <translation>Gelenke ohne weitere darunter dürfen welche bekommen</translation>
    </message>
    <message>
        <source>kept</source>
        <translation>gehalten</translation>
    </message>
    <message>
        <source>key</source>
        <translation>Schlüssel</translation>
    </message>
    <message>
        <source>key {} comes before the one it follows.</source>
        <translation>Schlüssel {} kommt vor dem, dem er folgt.</translation>
    </message>
    <message>
        <source>keyed in %1</source>
        <translation>Schlüssel in %1</translation>
    </message>
    <message>
        <source>keys</source>
        <translation>Schlüssel</translation>
    </message>
    <message>
        <source>keys of shapes</source>
        <translation>Schlüssel von Formen</translation>
    </message>
    <message>
        <source>knees bend ahead</source>
        <translation>Knie beugen sich nach vorn</translation>
    </message>
    <message>
        <source>largest %1 mm at frame %2; %3 mm at this frame; at most %4 mm asked for</source>
        <translation>größte %1 mm bei Bild %2; %3 mm bei diesem Bild; höchstens %4 mm verlangt</translation>
    </message>
    <message>
        <source>last delivery took %1 s</source>
        <translation>letzte Lieferung dauerte %1 s</translation>
    </message>
    <message>
        <source>last pose</source>
        <translation>letzte Pose</translation>
    </message>
    <message>
        <source>last pose, aligned with the first</source>
        <translation>letzte Pose, auf die erste gestellt</translation>
    </message>
    <message>
        <source>layer %1</source>
        <translation>Ebene %1</translation>
    </message>
    <message>
        <source>leave some behind at their source, or give the destination another limit</source>
        <translation>lassen Sie einige an ihrer Quelle zurück, oder geben Sie dem Ziel eine andere Grenze</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>left behind: %1</source>
        <translation>zurückgelassen: %1</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>weggelassen</translation>
    </message>
    <message>
        <source>left side</source>
        <translation>linke Seite</translation>
    </message>
    <message>
        <source>left · </source>
        <translation>zurückgelassen · </translation>
    </message>
    <message>
        <source>left, e.g. _l</source>
        <translation>links, z. B. _l</translation>
    </message>
    <message>
        <source>left-handed</source>
        <translation>linkshändig</translation>
    </message>
    <message>
        <source>leg</source>
        <translation>Bein</translation>
    </message>
    <message>
        <source>legs</source>
        <translation>Beine</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>light</source>
        <translation>Licht</translation>
    </message>
    <message>
        <source>light from pictures around the scene</source>
        <translation>Licht aus Bildern rings um die Szene</translation>
    </message>
    <message>
        <source>light {}</source>
        <translation>Licht {}</translation>
    </message>
    <message>
        <source>lights, and which node has which</source>
        <translation>Lichter, und welcher Knoten welches hat</translation>
    </message>
    <message>
        <source>likely</source>
        <translation>wahrscheinlich</translation>
    </message>
    <message>
        <source>limit %1 mm</source>
        <translation>Grenze %1 mm</translation>
    </message>
    <message>
        <source>limit %1 mm, far above</source>
        <translation>Grenze %1 mm, weit darüber</translation>
    </message>
    <message>
        <source>limits of {}, which is not here, hold nothing</source>
        <translation>Grenzen von {}, das nicht hier ist, halten nichts</translation>
    </message>
    <message>
        <source>line {}: {}.</source>
        <translation>Zeile {}: {}.</translation>
    </message>
    <message>
        <source>lists a joint that does not exist.</source>
        <translation>nennt ein Gelenk, das es nicht gibt.</translation>
    </message>
    <message>
        <source>lists a node that does not exist.</source>
        <translation>nennt einen Knoten, den es nicht gibt.</translation>
    </message>
    <message>
        <source>longer</source>
        <translation>länger</translation>
    </message>
    <message>
        <source>look</source>
        <translation>Hinweis</translation>
    </message>
    <message>
        <source>look at what it could not do, or accept it with a note</source>
        <translation>sehen Sie an, was er nicht konnte, oder nehmen Sie es mit einer Bemerkung hin</translation>
    </message>
    <message>
        <source>looked at when the package is made</source>
        <translation>wird angesehen, wenn das Paket gemacht wird</translation>
    </message>
    <message>
        <source>looks along +Z already ({})</source>
        <translation>schaut schon entlang +Z ({})</translation>
    </message>
    <message>
        <source>lower</source>
        <translation>klein</translation>
    </message>
    <message>
        <source>lowest point from {:.0f} mm to 0{}</source>
        <translation>tiefster Punkt von {:.0f} mm auf 0{}</translation>
    </message>
    <message>
        <source>m</source>
        <translation>m</translation>
    </message>
    <message>
        <source>made by a step</source>
        <translation>durch einen Schritt entstanden</translation>
    </message>
    <message>
        <source>make or name a joint so, then bring the takes onto it</source>
        <translation>legen Sie ein Gelenk so an oder benennen Sie eines so, dann bringen Sie die Aufnahmen darauf</translation>
    </message>
    <message>
        <source>makes more than {} joints.</source>
        <translation>macht mehr als {} Gelenke.</translation>
    </message>
    <message>
        <source>material</source>
        <translation>Material</translation>
    </message>
    <message>
        <source>material set · {} · {}</source>
        <translation>Materialsatz · {} · {}</translation>
    </message>
    <message>
        <source>material “{}” has its roughness and its metalness in images of their own; only one image of both is taken.</source>
        <translation>Material „{}“ hat Rauheit und Metall in eigenen Bildern; nur ein Bild von beidem wird genommen.</translation>
    </message>
    <message>
        <source>materials</source>
        <translation>Materialien</translation>
    </message>
    <message>
        <source>materials by variant; names materials and variants</source>
        <translation>Materialien nach Variante; nennt Materialien und Varianten</translation>
    </message>
    <message>
        <source>mesh</source>
        <translation>Netz</translation>
    </message>
    <message>
        <source>mesh "{}"</source>
        <translation>Netz „{}“</translation>
    </message>
    <message>
        <source>mesh {}</source>
        <translation>Netz {}</translation>
    </message>
    <message>
        <source>metalness and roughness</source>
        <translation>Metall und Rauheit</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>middle, %1 mm thick</source>
        <translation>Mitte, %1 mm dick</translation>
    </message>
    <message>
        <source>mirror</source>
        <translation>Spiegel</translation>
    </message>
    <message>
        <source>mirror %1</source>
        <translation>Spiegel %1</translation>
    </message>
    <message>
        <source>missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>mm</source>
        <translation>mm</translation>
    </message>
    <message>
        <source>model</source>
        <translation>Modell</translation>
    </message>
    <message>
        <source>model · {} · {}</source>
        <translation>Modell · {} · {}</translation>
    </message>
    <message>
        <source>more keys than frames</source>
        <translation>mehr Schlüssel als Bilder</translation>
    </message>
    <message>
        <source>more than the destination takes</source>
        <translation>mehr, als das Ziel nimmt</translation>
    </message>
    <message>
        <source>most %1 at frame %2; %3 at this frame</source>
        <translation>höchstens %1 bei Bild %2; %3 bei diesem Bild</translation>
    </message>
    <message>
        <source>motion energy, up to %1 m/s</source>
        <translation>Bewegungsenergie, bis zu %1 m/s</translation>
    </message>
    <message>
        <source>motion energy, up to %1 m/s; peaks reach %2 m/s</source>
        <translation>Bewegungsenergie, bis zu %1 m/s; Spitzen reichen bis %2 m/s</translation>
    </message>
    <message>
        <source>motion for the joints</source>
        <translation>Bewegung für die Gelenke</translation>
    </message>
    <message>
        <source>move</source>
        <translation>bewegen</translation>
    </message>
    <message>
        <source>moved</source>
        <translation>bewegt</translation>
    </message>
    <message>
        <source>moves joints that are not this model's: fewer than half of their names are in it.</source>
        <translation>bewegt Gelenke, die nicht die dieses Modells sind: weniger als die Hälfte ihrer Namen ist darin.</translation>
    </message>
    <message>
        <source>moves nothing</source>
        <translation>bewegt nichts</translation>
    </message>
    <message>
        <source>moves nothing else; the take is left out.</source>
        <translation>bewegt sonst nichts; die Aufnahme ist weggelassen.</translation>
    </message>
    <message>
        <source>moves shapes of a node that has none; it is left out.</source>
        <translation>bewegt Formen eines Knotens, der keine hat; es ist weggelassen.</translation>
    </message>
    <message>
        <source>moves values of materials, lights and cameras</source>
        <translation>bewegt Werte von Materialien, Lichtern und Kameras</translation>
    </message>
    <message>
        <source>moves what another channel moves already; it is left out.</source>
        <translation>bewegt, was ein anderer Kanal schon bewegt; er ist weggelassen.</translation>
    </message>
    <message>
        <source>moves {} that its skeleton has not.</source>
        <translation>bewegt {}, die sein Skelett nicht hat.</translation>
    </message>
    <message>
        <source>moves {} that the model does not have ({}); their keys are left out.</source>
        <translation>bewegt {}, die das Modell nicht hat ({}); ihre Schlüssel sind weggelassen.</translation>
    </message>
    <message>
        <source>moves, which only curves of straight lines may here; it stands as it is at first.</source>
        <translation>bewegt sich, was hier nur Kurven aus geraden Linien dürfen; es steht, wie es zuerst ist.</translation>
    </message>
    <message>
        <source>name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>name of the new clip</source>
        <translation>Name des neuen Clips</translation>
    </message>
    <message>
        <source>name → new name, repeat or once, stays, #RRGGBB, note</source>
        <translation>Name → neuer Name, repeat oder once, stays, #RRGGBB, Bemerkung</translation>
    </message>
    <message>
        <source>name, start, end, repeat or once, #RRGGBB, note, one per line</source>
        <translation>Name, Anfang, Ende, repeat oder once, #RRGGBB, Bemerkung, einer je Zeile</translation>
    </message>
    <message>
        <source>names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>names a joint twice; its skeleton is left out.</source>
        <translation>nennt ein Gelenk zweimal; sein Skelett ist weggelassen.</translation>
    </message>
    <message>
        <source>names a transform “{}” that it has not.</source>
        <translation>nennt eine Transformation „{}“, die es nicht hat.</translation>
    </message>
    <message>
        <source>names as its surface's places what is no accessor.</source>
        <translation>nennt als Orte seiner Oberfläche, was kein Zugriff ist.</translation>
    </message>
    <message>
        <source>names attributes that are not there</source>
        <translation>nennt Attribute, die nicht da sind</translation>
    </message>
    <message>
        <source>names no buffer.</source>
        <translation>nennt keinen Puffer.</translation>
    </message>
    <message>
        <source>names no image as "{}".</source>
        <translation>nennt kein Bild „{}“.</translation>
    </message>
    <message>
        <source>names no joints; it goes without a skin.</source>
        <translation>nennt keine Gelenke; es bleibt ohne Skin.</translation>
    </message>
    <message>
        <source>names no sampler.</source>
        <translation>nennt keinen Sampler.</translation>
    </message>
    <message>
        <source>names no shapes that are there.</source>
        <translation>nennt keine Formen, die da sind.</translation>
    </message>
    <message>
        <source>names other shapes than it points at; they are left out.</source>
        <translation>nennt andere Formen, als worauf es zeigt; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>names {} ({}) and has none: they were lost before this file was written. Ask for it once more, with its shapes (morph targets).</source>
        <translation>nennt {} ({}) und hat keine: sie gingen verloren, bevor diese Datei geschrieben wurde. Bitten Sie noch einmal darum, mit ihren Formen (Morphzielen).</translation>
    </message>
    <message>
        <source>near plane</source>
        <translation>nahe Ebene</translation>
    </message>
    <message>
        <source>nearest</source>
        <translation>nächster</translation>
    </message>
    <message>
        <source>neck</source>
        <translation>Hals</translation>
    </message>
    <message>
        <source>needs "find".</source>
        <translation>braucht „find“.</translation>
    </message>
    <message>
        <source>needs "names", "tips" or "unweighted".</source>
        <translation>braucht „names“, „tips“ oder „unweighted“.</translation>
    </message>
    <message>
        <source>needs "of", "what" and a list of "keys".</source>
        <translation>braucht „of“, „what“ und eine Liste „keys“.</translation>
    </message>
    <message>
        <source>needs "pose".</source>
        <translation>braucht „pose“.</translation>
    </message>
    <message>
        <source>needs "{}".</source>
        <translation>braucht „{}“.</translation>
    </message>
    <message>
        <source>needs a clip, or the name of one that it makes.</source>
        <translation>braucht einen Clip, oder den Namen eines, den er macht.</translation>
    </message>
    <message>
        <source>needs either "factor" or "height_m".</source>
        <translation>braucht entweder „factor“ oder „height_m“.</translation>
    </message>
    <message>
        <source>needs either "factor" or "seconds".</source>
        <translation>braucht entweder „factor“ oder „seconds“.</translation>
    </message>
    <message>
        <source>needs either "source" or "clip".</source>
        <translation>braucht entweder „source“ oder „clip“.</translation>
    </message>
    <message>
        <source>needs more memory than there is.</source>
        <translation>braucht mehr Speicher, als es gibt.</translation>
    </message>
    <message>
        <source>needs names of joints under "source" and "target".</source>
        <translation>braucht Namen von Gelenken unter „source“ und „target“.</translation>
    </message>
    <message>
        <source>needs {} "{}" or more.</source>
        <translation>braucht {} „{}“ oder mehr.</translation>
    </message>
    <message>
        <source>neither</source>
        <translation>weder</translation>
    </message>
    <message>
        <source>neither sides nor toes, eyes or the way it goes say where its front is.</source>
        <translation>weder Seiten noch Zehen, Augen oder der Gang sagen, wo vorn ist.</translation>
    </message>
    <message>
        <source>neither surfaces nor joints could be paired</source>
        <translation>weder Oberflächen noch Gelenke ließen sich paaren</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>no</source>
        <translation>nein</translation>
    </message>
    <message>
        <source>no PNG or JPEG</source>
        <translation>kein PNG oder JPEG</translation>
    </message>
    <message>
        <source>no WebP picture can be made.</source>
        <translation>es lässt sich kein WebP-Bild machen.</translation>
    </message>
    <message>
        <source>no clip</source>
        <translation>kein Clip</translation>
    </message>
    <message>
        <source>no clip is left to deliver</source>
        <translation>kein Clip bleibt auszuliefern</translation>
    </message>
    <message>
        <source>no clips</source>
        <translation>keine Clips</translation>
    </message>
    <message>
        <source>no drift measured yet</source>
        <translation>noch keine Drift gemessen</translation>
    </message>
    <message>
        <source>no estimate yet</source>
        <translation>noch keine Schätzung</translation>
    </message>
    <message>
        <source>no face has all its corners among these vertices</source>
        <translation>keine Fläche hat alle Ecken unter diesen Punkten</translation>
    </message>
    <message>
        <source>no face has all its corners among these: nothing can grow</source>
        <translation>keine Fläche hat alle Ecken unter diesen: nichts kann wachsen</translation>
    </message>
    <message>
        <source>no folder of its own</source>
        <translation>ohne eigenen Ordner</translation>
    </message>
    <message>
        <source>no frame near the end of “{}” can be told to close it.</source>
        <translation>kein Bild nahe dem Ende von „{}“ schließt ihn erkennbar.</translation>
    </message>
    <message>
        <source>no guide chosen</source>
        <translation>kein Leitpunkt gewählt</translation>
    </message>
    <message>
        <source>no guides</source>
        <translation>keine Leitkurven</translation>
    </message>
    <message>
        <source>no hull was changed</source>
        <translation>keine Hülle wurde geändert</translation>
    </message>
    <message>
        <source>no joint answers another one on the other side.</source>
        <translation>kein Gelenk entspricht einem anderen auf der anderen Seite.</translation>
    </message>
    <message>
        <source>no joint below the root can be told to carry the others.</source>
        <translation>kein Gelenk unter der Wurzel trägt erkennbar die anderen.</translation>
    </message>
    <message>
        <source>no joint fits</source>
        <translation>kein Gelenk passt</translation>
    </message>
    <message>
        <source>no joint fits {}</source>
        <translation>kein Gelenk entspricht {}</translation>
    </message>
    <message>
        <source>no joint has one that answers it on the other side.</source>
        <translation>kein Gelenk hat eines, das ihm auf der anderen Seite entspricht.</translation>
    </message>
    <message>
        <source>no joint holds "{}" where strand {} grows.</source>
        <translation>kein Gelenk hält „{}“, wo Strähne {} wächst.</translation>
    </message>
    <message>
        <source>no joint: influences per vertex</source>
        <translation>kein Gelenk: Einflüsse je Punkt</translation>
    </message>
    <message>
        <source>no joints</source>
        <translation>keine Gelenke</translation>
    </message>
    <message>
        <source>no joints, no surfaces: see its nodes</source>
        <translation>keine Gelenke, keine Oberflächen: siehe seine Knoten</translation>
    </message>
    <message>
        <source>no keys</source>
        <translation>keine Schlüssel</translation>
    </message>
    <message>
        <source>no longer changes {}</source>
        <translation>ändert {} nicht mehr</translation>
    </message>
    <message>
        <source>no material fits</source>
        <translation>kein Material passt</translation>
    </message>
    <message>
        <source>no message is called “{}”.</source>
        <translation>keine Nachricht heißt „{}“.</translation>
    </message>
    <message>
        <source>no message.</source>
        <translation>keine Nachricht.</translation>
    </message>
    <message>
        <source>no moving picture of that size can be made.</source>
        <translation>in dieser Größe lässt sich kein bewegtes Bild machen.</translation>
    </message>
    <message>
        <source>no name among the {} fits a rule</source>
        <translation>kein Name unter den {} entspricht einer Regel</translation>
    </message>
    <message>
        <source>no name fits a rule</source>
        <translation>kein Name entspricht einer Regel</translation>
    </message>
    <message>
        <source>no name has a prefix</source>
        <translation>kein Name hat einen Vorsatz</translation>
    </message>
    <message>
        <source>no node shows {}; left out.</source>
        <translation>kein Knoten zeigt {}; weggelassen.</translation>
    </message>
    <message>
        <source>no parent transform stands above joints or surfaces</source>
        <translation>keine Transformation steht über Gelenken oder Oberflächen</translation>
    </message>
    <message>
        <source>no part of the surface has the material "{}".</source>
        <translation>kein Teil der Oberfläche hat das Material „{}“.</translation>
    </message>
    <message>
        <source>no pose sent yet</source>
        <translation>noch keine Pose gesendet</translation>
    </message>
    <message>
        <source>no reader for files that end in "</source>
        <translation>kein Leser für Dateien, die enden auf „</translation>
    </message>
    <message>
        <source>no shape fits</source>
        <translation>keine Form passt</translation>
    </message>
    <message>
        <source>no shape with a side in its name fits</source>
        <translation>keine Form mit einer Seite im Namen passt</translation>
    </message>
    <message>
        <source>no shapes arrived</source>
        <translation>keine Formen kamen an</translation>
    </message>
    <message>
        <source>no side is named</source>
        <translation>keine Seite ist benannt</translation>
    </message>
    <message>
        <source>no simple rule makes them fit and keeps them apart</source>
        <translation>keine einfache Regel macht sie passend und hält sie auseinander</translation>
    </message>
    <message>
        <source>no simple rule makes them fit; write one at the Joints station</source>
        <translation>keine einfache Regel macht sie passend; schreiben Sie eine an der Station Gelenke</translation>
    </message>
    <message>
        <source>no skin</source>
        <translation>kein Skin</translation>
    </message>
    <message>
        <source>no slot has a material</source>
        <translation>kein Slot hat ein Material</translation>
    </message>
    <message>
        <source>no source holds takes for these joints</source>
        <translation>keine Quelle enthält Aufnahmen für diese Gelenke</translation>
    </message>
    <message>
        <source>no source is taken for a take of another body</source>
        <translation>keine Quelle gilt als Aufnahme eines anderen Körpers</translation>
    </message>
    <message>
        <source>no still place</source>
        <translation>keine stille Stelle</translation>
    </message>
    <message>
        <source>no strand of "{}" has two points.</source>
        <translation>keine Strähne von „{}“ hat zwei Punkte.</translation>
    </message>
    <message>
        <source>no strands are called "{}".</source>
        <translation>keine Strähnen heißen „{}“.</translation>
    </message>
    <message>
        <source>no strands arrived</source>
        <translation>keine Strähnen kamen an</translation>
    </message>
    <message>
        <source>no such source holds takes for these joints: </source>
        <translation>keine solche Quelle enthält Aufnahmen für diese Gelenke: </translation>
    </message>
    <message>
        <source>no such source holds takes: </source>
        <translation>keine solche Quelle enthält Aufnahmen: </translation>
    </message>
    <message>
        <source>no surface</source>
        <translation>keine Oberfläche</translation>
    </message>
    <message>
        <source>no surface arrived</source>
        <translation>keine Oberfläche kam an</translation>
    </message>
    <message>
        <source>no surface has lines.</source>
        <translation>keine Oberfläche hat Linien.</translation>
    </message>
    <message>
        <source>no surface has the same vertices in both</source>
        <translation>keine Oberfläche hat in beiden dieselben Punkte</translation>
    </message>
    <message>
        <source>no surface is called "{}".</source>
        <translation>keine Oberfläche heißt „{}“.</translation>
    </message>
    <message>
        <source>no surface is called {}.</source>
        <translation>keine Oberfläche heißt {}.</translation>
    </message>
    <message>
        <source>no surface under a skin is called "{}".</source>
        <translation>keine Oberfläche unter einem Skin heißt „{}“.</translation>
    </message>
    <message>
        <source>no triangles there</source>
        <translation>dort sind keine Dreiecke</translation>
    </message>
    <message>
        <source>no two vertices are alike at one place</source>
        <translation>keine zwei Punkte an einem Ort sind gleich</translation>
    </message>
    <message>
        <source>no vertex has more than {}</source>
        <translation>kein Punkt hat mehr als {}</translation>
    </message>
    <message>
        <source>no vertex of “{}” lies within {:g} mm of one here.</source>
        <translation>kein Punkt von „{}“ liegt innerhalb von {:g} mm von einem hier.</translation>
    </message>
    <message>
        <source>no weight changes</source>
        <translation>kein Gewicht ändert sich</translation>
    </message>
    <message>
        <source>no weight is below {:g}</source>
        <translation>kein Gewicht liegt unter {:g}</translation>
    </message>
    <message>
        <source>no widths</source>
        <translation>keine Breiten</translation>
    </message>
    <message>
        <source>no {}'s name has anything that fits {}</source>
        <translation>kein Name von {} hat etwas, das {} entspricht</translation>
    </message>
    <message>
        <source>no “{}” goes out</source>
        <translation>keine „{}“ geht hinaus</translation>
    </message>
    <message>
        <source>node</source>
        <translation>Knoten</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>none is chosen</source>
        <translation>keine ist gewählt</translation>
    </message>
    <message>
        <source>none is cut</source>
        <translation>keiner wird abgeschnitten</translation>
    </message>
    <message>
        <source>none of its joints</source>
        <translation>keines seiner Gelenke</translation>
    </message>
    <message>
        <source>none of its {} is of a joint or shape that is here</source>
        <translation>keines seiner {} gehört zu einem Gelenk oder einer Form, die hier ist</translation>
    </message>
    <message>
        <source>none: any skeleton is taken</source>
        <translation>keiner: jedes Skelett wird genommen</translation>
    </message>
    <message>
        <source>normals</source>
        <translation>Normalen</translation>
    </message>
    <message>
        <source>normals or tangents of it are gone</source>
        <translation>Normalen oder Tangenten davon sind fort</translation>
    </message>
    <message>
        <source>normals, coordinates, weights or shapes</source>
        <translation>Normalen, Koordinaten, Gewichte oder Formen</translation>
    </message>
    <message>
        <source>not</source>
        <translation>nicht</translation>
    </message>
    <message>
        <source>not all fit</source>
        <translation>nicht alle passen</translation>
    </message>
    <message>
        <source>not at all</source>
        <translation>gar nicht</translation>
    </message>
    <message>
        <source>not delivered yet</source>
        <translation>noch nicht ausgeliefert</translation>
    </message>
    <message>
        <source>not every frame has its points</source>
        <translation>nicht jedes Bild hat seine Punkte</translation>
    </message>
    <message>
        <source>not every strand has a root on the surface.</source>
        <translation>nicht jede Strähne hat eine Wurzel auf der Oberfläche.</translation>
    </message>
    <message>
        <source>not in it</source>
        <translation>nicht darin</translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation>noch nicht gespeichert</translation>
    </message>
    <message>
        <source>not so</source>
        <translation>nicht so</translation>
    </message>
    <message>
        <source>not taken · </source>
        <translation>nicht übernommen · </translation>
    </message>
    <message>
        <source>not there</source>
        <translation>nicht da</translation>
    </message>
    <message>
        <source>not there any more</source>
        <translation>nicht mehr da</translation>
    </message>
    <message>
        <source>not there: %1</source>
        <translation>nicht da: %1</translation>
    </message>
    <message>
        <source>not whole: %1</source>
        <translation>nicht vollständig: %1</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>nothing could be put together</source>
        <translation>nichts ließ sich zusammensetzen</translation>
    </message>
    <message>
        <source>nothing fits</source>
        <translation>nichts passt</translation>
    </message>
    <message>
        <source>nothing has a height yet.</source>
        <translation>noch hat nichts eine Größe.</translation>
    </message>
    <message>
        <source>nothing has normals and coordinates</source>
        <translation>nichts hat Normalen und Koordinaten</translation>
    </message>
    <message>
        <source>nothing is brought</source>
        <translation>nichts wird gebracht</translation>
    </message>
    <message>
        <source>nothing is called </source>
        <translation>nichts heißt </translation>
    </message>
    <message>
        <source>nothing is called {}</source>
        <translation>nichts heißt {}</translation>
    </message>
    <message>
        <source>nothing is called {}.</source>
        <translation>nichts heißt {}.</translation>
    </message>
    <message>
        <source>nothing is retargeted</source>
        <translation>nichts wird übertragen</translation>
    </message>
    <message>
        <source>nothing is said of any clip</source>
        <translation>von keinem Clip ist etwas gesagt</translation>
    </message>
    <message>
        <source>nothing lies near enough</source>
        <translation>nichts liegt nah genug</translation>
    </message>
    <message>
        <source>nothing of it moves</source>
        <translation>nichts davon bewegt sich</translation>
    </message>
    <message>
        <source>nothing that is used here</source>
        <translation>nichts, was hier benutzt wird</translation>
    </message>
    <message>
        <source>nothing to compare</source>
        <translation>nichts zu vergleichen</translation>
    </message>
    <message>
        <source>nothing to deliver</source>
        <translation>nichts auszuliefern</translation>
    </message>
    <message>
        <source>nothing to make a hull of</source>
        <translation>nichts, woraus eine Hülle zu machen wäre</translation>
    </message>
    <message>
        <source>numbers and ranges, one per line: 12, 20-31</source>
        <translation>Zahlen und Bereiche, einer je Zeile: 12, 20-31</translation>
    </message>
    <message>
        <source>numbers from 0 to 1, one per line</source>
        <translation>Zahlen von 0 bis 1, eine je Zeile</translation>
    </message>
    <message>
        <source>of a material</source>
        <translation>eines Materials</translation>
    </message>
    <message>
        <source>of the new clip</source>
        <translation>des neuen Clips</translation>
    </message>
    <message>
        <source>old → new, one per line</source>
        <translation>alt → neu, eines je Zeile</translation>
    </message>
    <message>
        <source>on the ground</source>
        <translation>am Boden</translation>
    </message>
    <message>
        <source>on the ground at {:.2f}, {:.2f} m</source>
        <translation>am Boden bei {:.2f}, {:.2f} m</translation>
    </message>
    <message>
        <source>on their side</source>
        <translation>auf der Seite</translation>
    </message>
    <message>
        <source>on top of</source>
        <translation>auf</translation>
    </message>
    <message>
        <source>on top of the take</source>
        <translation>darauf</translation>
    </message>
    <message>
        <source>once</source>
        <translation>einmal</translation>
    </message>
    <message>
        <source>one card has {} triangles, and {} are allowed.</source>
        <translation>eine Karte hat {} Dreiecke, und {} sind erlaubt.</translation>
    </message>
    <message>
        <source>one folder would be spelled "{}" and "{}".</source>
        <translation>ein Ordner würde „{}“ und „{}“ geschrieben.</translation>
    </message>
    <message>
        <source>one is {:.3g} % off</source>
        <translation>eine ist {:.3g} % daneben</translation>
    </message>
    <message>
        <source>one joint</source>
        <translation>ein Gelenk</translation>
    </message>
    <message>
        <source>one per line, * and ? allowed</source>
        <translation>eines je Zeile, * und ? erlaubt</translation>
    </message>
    <message>
        <source>one per line, * and ? allowed; none: all</source>
        <translation>einer je Zeile, * und ? erlaubt; keiner: alle</translation>
    </message>
    <message>
        <source>one per line, * and ? allowed; none: all but the character</source>
        <translation>eines je Zeile, * und ? erlaubt; keines: alles außer der Figur</translation>
    </message>
    <message>
        <source>one per line, in their order</source>
        <translation>einer je Zeile, in ihrer Reihenfolge</translation>
    </message>
    <message>
        <source>one rests elsewhere</source>
        <translation>eines ruht anderswo</translation>
    </message>
    <message>
        <source>one row a file · one column a destination · to %1/</source>
        <translation>je Datei eine Zeile · je Ziel eine Spalte · nach %1/</translation>
    </message>
    <message>
        <source>one row a file, one column a destination</source>
        <translation>je Datei eine Zeile, je Ziel eine Spalte</translation>
    </message>
    <message>
        <source>one surface at many places, each a node then</source>
        <translation>eine Oberfläche an vielen Orten, jeder dann ein Knoten</translation>
    </message>
    <message>
        <source>only names with… (or all)</source>
        <translation>nur Namen mit … (oder alle)</translation>
    </message>
    <message>
        <source>only the rest pose and clips are posed</source>
        <translation>nur die Ruhepose und Clips werden gestellt</translation>
    </message>
    <message>
        <source>only {:g} % of the strands are here: a preview</source>
        <translation>nur {:g} % der Strähnen sind hier: eine Vorschau</translation>
    </message>
    <message>
        <source>onto a joint that is not below it</source>
        <translation>auf ein Gelenk, das nicht darunter liegt</translation>
    </message>
    <message>
        <source>open surface</source>
        <translation>offene Oberfläche</translation>
    </message>
    <message>
        <source>or a slot…</source>
        <translation>oder ein Slot …</translation>
    </message>
    <message>
        <source>or height</source>
        <translation>oder Größe</translation>
    </message>
    <message>
        <source>or to last</source>
        <translation>oder Dauer</translation>
    </message>
    <message>
        <source>order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>other</source>
        <translation>anderes</translation>
    </message>
    <message>
        <source>other counts, or another order, arrived</source>
        <translation>andere Anzahlen, oder eine andere Reihenfolge, kamen an</translation>
    </message>
    <message>
        <source>other extras or extensions</source>
        <translation>andere Zusatzangaben oder Erweiterungen</translation>
    </message>
    <message>
        <source>other shapes arrived</source>
        <translation>andere Formen kamen an</translation>
    </message>
    <message>
        <source>other values arrived</source>
        <translation>andere Werte kamen an</translation>
    </message>
    <message>
        <source>other variants or extensions</source>
        <translation>andere Varianten oder Erweiterungen</translation>
    </message>
    <message>
        <source>other vertices, or another order, arrived</source>
        <translation>andere Punkte, oder eine andere Reihenfolge, kamen an</translation>
    </message>
    <message>
        <source>other weights</source>
        <translation>andere Gewichte</translation>
    </message>
    <message>
        <source>other {}</source>
        <translation>anderes {}</translation>
    </message>
    <message>
        <source>others arrived</source>
        <translation>andere kamen an</translation>
    </message>
    <message>
        <source>others kept</source>
        <translation>andere behalten</translation>
    </message>
    <message>
        <source>others removed</source>
        <translation>andere entfernt</translation>
    </message>
    <message>
        <source>out</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>outer angle</source>
        <translation>äußerer Winkel</translation>
    </message>
    <message>
        <source>over the origin, too</source>
        <translation>auch über den Ursprung</translation>
    </message>
    <message>
        <source>own</source>
        <translation>eigener</translation>
    </message>
    <message>
        <source>own axes</source>
        <translation>eigene Achsen</translation>
    </message>
    <message>
        <source>package.json: a row names no file of the package</source>
        <translation>package.json: eine Zeile nennt keine Datei des Pakets</translation>
    </message>
    <message>
        <source>package.json: lists nothing</source>
        <translation>package.json: nennt nichts</translation>
    </message>
    <message>
        <source>packed data</source>
        <translation>verdichtete Daten</translation>
    </message>
    <message>
        <source>packed geometry</source>
        <translation>verdichtete Geometrie</translation>
    </message>
    <message>
        <source>parent</source>
        <translation>Übergeordnetes</translation>
    </message>
    <message>
        <source>parents first, the same in every skin</source>
        <translation>Übergeordnete zuerst, in jedem Skin gleich</translation>
    </message>
    <message>
        <source>part</source>
        <translation>Teil</translation>
    </message>
    <message>
        <source>part clip</source>
        <translation>Teil, Clip</translation>
    </message>
    <message>
        <source>part of the model</source>
        <translation>Teil des Modells</translation>
    </message>
    <message>
        <source>path as it is</source>
        <translation>Weg wie er ist</translation>
    </message>
    <message>
        <source>path by leg length</source>
        <translation>Weg nach Beinlänge</translation>
    </message>
    <message>
        <source>path × %1</source>
        <translation>Weg × %1</translation>
    </message>
    <message>
        <source>pelvis</source>
        <translation>Becken</translation>
    </message>
    <message>
        <source>per cm²</source>
        <translation>je cm²</translation>
    </message>
    <message>
        <source>physics materials</source>
        <translation>Physikmaterialien</translation>
    </message>
    <message>
        <source>physics models</source>
        <translation>Physikmodelle</translation>
    </message>
    <message>
        <source>pivot</source>
        <translation>Drehpunkt</translation>
    </message>
    <message>
        <source>place from rest</source>
        <translation>Ort gegenüber der Ruhe</translation>
    </message>
    <message>
        <source>place {} at {} places in all, far more than there are.</source>
        <translation>setzt {} an {} Orte, weit mehr, als es gibt.</translation>
    </message>
    <message>
        <source>places of a surface that a skin moves are not read</source>
        <translation>Orte einer Oberfläche, die ein Skin bewegt, werden nicht gelesen</translation>
    </message>
    <message>
        <source>places of no pose.</source>
        <translation>Orte zu keiner Pose.</translation>
    </message>
    <message>
        <source>plan “{}”</source>
        <translation>Plan „{}“</translation>
    </message>
    <message>
        <source>planted</source>
        <translation>fest</translation>
    </message>
    <message>
        <source>point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>points</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>points at "</source>
        <translation>zeigt auf „</translation>
    </message>
    <message>
        <source>points at "{}", which is not there, and no file of that name lies in the source's folder or below it; its materials go without it. Put it there, or ask for it.</source>
        <translation>zeigt auf „{}“, das nicht da ist, und keine Datei dieses Namens liegt im Ordner der Quelle oder darunter; ihre Materialien kommen ohne sie aus. Legen Sie sie dorthin, oder fragen Sie danach.</translation>
    </message>
    <message>
        <source>points at "{}", which is not there; "{}" was taken, which is called the same.</source>
        <translation>zeigt auf „{}“, das nicht da ist; genommen wurde „{}“, das ebenso heißt.</translation>
    </message>
    <message>
        <source>points at each frame, where they have a container</source>
        <translation>Punkte an jedem Bild, wo sie ein Format haben</translation>
    </message>
    <message>
        <source>points at something that is not there.</source>
        <translation>zeigt auf etwas, das nicht da ist.</translation>
    </message>
    <message>
        <source>points at the address "</source>
        <translation>zeigt auf die Adresse „</translation>
    </message>
    <message>
        <source>pose</source>
        <translation>Pose</translation>
    </message>
    <message>
        <source>pose “%1”</source>
        <translation>Pose „%1“</translation>
    </message>
    <message>
        <source>poses like frame %1: dark the same, pale %2 mm apart</source>
        <translation>Posen wie Bild %1: dunkel gleich, hell %2 mm auseinander</translation>
    </message>
    <message>
        <source>primitive {} has other attributes</source>
        <translation>Teil {} hat andere Attribute</translation>
    </message>
    <message>
        <source>primitive {} is another one</source>
        <translation>Teil {} ist ein anderer</translation>
    </message>
    <message>
        <source>prims lie more than {} deep</source>
        <translation>Prims liegen mehr als {} tief</translation>
    </message>
    <message>
        <source>prop</source>
        <translation>Requisit</translation>
    </message>
    <message>
        <source>prop · {} · {}</source>
        <translation>Requisit · {} · {}</translation>
    </message>
    <message>
        <source>put in place</source>
        <translation>an seinen Platz gelegt</translation>
    </message>
    <message>
        <source>qhull Qt Pp</source>
        <translation>qhull Qt Pp</translation>
    </message>
    <message>
        <source>quickest change beyond the take's %1 (%2)</source>
        <translation>schnellste Änderung über der der Aufnahme %1 (%2)</translation>
    </message>
    <message>
        <source>reaches past the end of buffer view {}: {} elements of {} bytes do not fit in {}.</source>
        <translation>reicht über das Ende der Puffersicht {} hinaus: {} Elemente von {} Bytes passen nicht in {}.</translation>
    </message>
    <message>
        <source>reaches past the end of buffer {}, which has {} bytes.</source>
        <translation>reicht über das Ende von Puffer {} hinaus, der {} Bytes hat.</translation>
    </message>
    <message>
        <source>read back whole</source>
        <translation>ganz zurückgelesen</translation>
    </message>
    <message>
        <source>reader</source>
        <translation>Leser</translation>
    </message>
    <message>
        <source>reading</source>
        <translation>wird gelesen</translation>
    </message>
    <message>
        <source>relocations of prims</source>
        <translation>Umzüge von Prims</translation>
    </message>
    <message>
        <source>relocations of prims below </source>
        <translation>Umzüge von Prims unter </translation>
    </message>
    <message>
        <source>removed</source>
        <translation>entfernt</translation>
    </message>
    <message>
        <source>repeated</source>
        <translation>wiederholt</translation>
    </message>
    <message>
        <source>repeated on</source>
        <translation>fortgesetzt</translation>
    </message>
    <message>
        <source>repeats</source>
        <translation>wiederholt sich</translation>
    </message>
    <message>
        <source>replace, e.g. $1_##</source>
        <translation>ersetzen, z. B. $1_##</translation>
    </message>
    <message>
        <source>rest pose</source>
        <translation>Ruhepose</translation>
    </message>
    <message>
        <source>rests</source>
        <translation>ruht</translation>
    </message>
    <message>
        <source>rests otherwise than the model: its motion is carried over so that each bone lies where it lay.</source>
        <translation>ruht anders als das Modell: seine Bewegung wird so übertragen, dass jeder Knochen liegt, wo er lag.</translation>
    </message>
    <message>
        <source>ribbon</source>
        <translation>Band</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>right side</source>
        <translation>rechte Seite</translation>
    </message>
    <message>
        <source>right, e.g. _r</source>
        <translation>rechts, z. B. _r</translation>
    </message>
    <message>
        <source>right-handed</source>
        <translation>rechtshändig</translation>
    </message>
    <message>
        <source>role</source>
        <translation>Rolle</translation>
    </message>
    <message>
        <source>root</source>
        <translation>Wurzel</translation>
    </message>
    <message>
        <source>roots</source>
        <translation>Wurzeln</translation>
    </message>
    <message>
        <source>roots on it</source>
        <translation>Wurzeln darauf</translation>
    </message>
    <message>
        <source>rotated by {:.3f}° at frame {}</source>
        <translation>um {:.3f}° gedreht bei Bild {}</translation>
    </message>
    <message>
        <source>rotated by {:.4f}°</source>
        <translation>um {:.4f}° gedreht</translation>
    </message>
    <message>
        <source>rotated or scaled in the world</source>
        <translation>gedreht oder skaliert in der Welt</translation>
    </message>
    <message>
        <source>rotates {:.4g}°{}</source>
        <translation>dreht um {:.4g}°{}</translation>
    </message>
    <message>
        <source>rotation</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>rotation and scale of the surfaces' own nodes into the data</source>
        <translation>Drehung und Skalierung der eigenen Knoten der Oberflächen in die Daten</translation>
    </message>
    <message>
        <source>rotation from rest</source>
        <translation>Drehung gegenüber der Ruhe</translation>
    </message>
    <message>
        <source>rotation keys</source>
        <translation>Drehungsschlüssel</translation>
    </message>
    <message>
        <source>rotation {:.4g}°{}</source>
        <translation>Drehung {:.4g}°{}</translation>
    </message>
    <message>
        <source>rounded: places by at most {:.2g} mm, normals by {:.2g}°, coordinates and colours by {:.2g}, weights by {:.2g}</source>
        <translation>gerundet: Orte um höchstens {:.2g} mm, Normalen um {:.2g}°, Koordinaten und Farben um {:.2g}, Gewichte um {:.2g}</translation>
    </message>
    <message>
        <source>route card</source>
        <translation>Laufkarte</translation>
    </message>
    <message>
        <source>rule</source>
        <translation>Regel</translation>
    </message>
    <message>
        <source>s are</source>
        <translation> sind</translation>
    </message>
    <message>
        <source>s have</source>
        <translation> haben</translation>
    </message>
    <message>
        <source>same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>sampler</source>
        <translation>Sampler</translation>
    </message>
    <message>
        <source>samples of </source>
        <translation>Werte von </translation>
    </message>
    <message>
        <source>samples over time are broken</source>
        <translation>Werte über die Zeit sind fehlerhaft</translation>
    </message>
    <message>
        <source>samples over time stand in no order</source>
        <translation>Werte über die Zeit stehen in keiner Reihenfolge</translation>
    </message>
    <message>
        <source>saved</source>
        <translation>gespeichert</translation>
    </message>
    <message>
        <source>say in the list of sources which rest pose holds: the skeleton's or its own</source>
        <translation>sagen Sie in der Liste der Quellen, welche Ruhepose gilt: die des Skeletts oder die eigene</translation>
    </message>
    <message>
        <source>say which surface.</source>
        <translation>sagen Sie, welche Oberfläche.</translation>
    </message>
    <message>
        <source>says a unit that is none; metres are taken.</source>
        <translation>sagt eine Einheit, die keine ist; Meter werden genommen.</translation>
    </message>
    <message>
        <source>says itself how its light falls off; here it does so by the square.</source>
        <translation>sagt selbst, wie sein Licht nachlässt; hier tut es das mit dem Quadrat.</translation>
    </message>
    <message>
        <source>says neither "start" and "end" (whole frame numbers) nor "from_s" and "to_s" (seconds).</source>
        <translation>sagt weder „start“ und „end“ (ganze Bildnummern) noch „from_s“ und „to_s“ (Sekunden).</translation>
    </message>
    <message>
        <source>says neither a rest nor a bind pose; its joints lie on each other.</source>
        <translation>sagt weder Ruhe- noch Bindepose; seine Gelenke liegen aufeinander.</translation>
    </message>
    <message>
        <source>says no bind pose; its rest pose stands in.</source>
        <translation>sagt keine Bindepose; seine Ruhepose steht dafür.</translation>
    </message>
    <message>
        <source>says no rest pose; its bind pose stands in.</source>
        <translation>sagt keine Ruhepose; seine Bindepose steht dafür.</translation>
    </message>
    <message>
        <source>says no unit for the brightness of its lights; 1 is taken for 1 cd or 1 lx.</source>
        <translation>sagt keine Einheit für die Helligkeit seiner Lichter; 1 gilt als 1 cd oder 1 lx.</translation>
    </message>
    <message>
        <source>says no unit; USD then means centimetres.</source>
        <translation>sagt keine Einheit; USD meint dann Zentimeter.</translation>
    </message>
    <message>
        <source>says of its materials what is not taken: {}.</source>
        <translation>sagt von seinen Materialien, was nicht genommen wird: {}.</translation>
    </message>
    <message>
        <source>says what cannot be understood: </source>
        <translation>sagt, was sich nicht verstehen lässt: </translation>
    </message>
    <message>
        <source>says {} bytes but has {}.</source>
        <translation>sagt {} Bytes, hat aber {}.</translation>
    </message>
    <message>
        <source>says {} bytes but the file has {}: it is cut short.</source>
        <translation>sagt {} Bytes, doch die Datei hat {}: sie ist abgeschnitten.</translation>
    </message>
    <message>
        <source>says “{}” for the axis that is up; Y is taken.</source>
        <translation>sagt „{}“ für die Achse nach oben; Y wird genommen.</translation>
    </message>
    <message>
        <source>scale against rest</source>
        <translation>Größe gegenüber der Ruhe</translation>
    </message>
    <message>
        <source>scale keys</source>
        <translation>Skalierungsschlüssel</translation>
    </message>
    <message>
        <source>scale of the normals</source>
        <translation>Stärke der Normalen</translation>
    </message>
    <message>
        <source>scale of {} node{} to 1 ({})</source>
        <translation>Skalierung auf 1 gebracht: {0} ({2})</translation>
    </message>
    <message>
        <source>scale that moves on {}</source>
        <translation>bewegte Skalierung an {}</translation>
    </message>
    <message>
        <source>scaled {} and not {}</source>
        <translation>skaliert {} und nicht {}</translation>
    </message>
    <message>
        <source>scales changed by {:.4g}</source>
        <translation>Skalierungen um {:.4g} geändert</translation>
    </message>
    <message>
        <source>scales differ from 1</source>
        <translation>Skalierungen weichen von 1 ab</translation>
    </message>
    <message>
        <source>scales unevenly ({:.3g}, {:.3g}, {:.3g})</source>
        <translation>skaliert ungleich ({:.3g}, {:.3g}, {:.3g})</translation>
    </message>
    <message>
        <source>scales × {:.4g}</source>
        <translation>skaliert × {:.4g}</translation>
    </message>
    <message>
        <source>seam %1 mm</source>
        <translation>Naht %1 mm</translation>
    </message>
    <message>
        <source>sent; no answer yet</source>
        <translation>gesendet; noch keine Antwort</translation>
    </message>
    <message>
        <source>several surfaces could be meant.</source>
        <translation>mehrere Oberflächen könnten gemeint sein.</translation>
    </message>
    <message>
        <source>shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>shapes</source>
        <translation>Formen</translation>
    </message>
    <message>
        <source>shapes for a surface</source>
        <translation>Formen für eine Oberfläche</translation>
    </message>
    <message>
        <source>shapes keep the differences of normals that they had</source>
        <translation>Formen behalten die Unterschiede der Normalen, die sie hatten</translation>
    </message>
    <message>
        <source>shares its folder with "{}".</source>
        <translation>teilt seinen Ordner mit „{}“.</translation>
    </message>
    <message>
        <source>shorter</source>
        <translation>kürzer</translation>
    </message>
    <message>
        <source>sideways</source>
        <translation>seitwärts</translation>
    </message>
    <message>
        <source>sink into</source>
        <translation>sinken in</translation>
    </message>
    <message>
        <source>skin</source>
        <translation>Skin</translation>
    </message>
    <message>
        <source>slide at most %1 (the take's own: %2 mm)</source>
        <translation>Rutschen höchstens %1 (das der Aufnahme: %2 mm)</translation>
    </message>
    <message>
        <source>slot</source>
        <translation>Slot</translation>
    </message>
    <message>
        <source>slots</source>
        <translation>Slots</translation>
    </message>
    <message>
        <source>small numbers in surfaces</source>
        <translation>kleine Zahlen in Oberflächen</translation>
    </message>
    <message>
        <source>smooth</source>
        <translation>weich</translation>
    </message>
    <message>
        <source>soft edge</source>
        <translation>weicher Rand</translation>
    </message>
    <message>
        <source>some engines and file systems take them for the same.</source>
        <translation>manche Engines und Dateisysteme halten sie für gleich.</translation>
    </message>
    <message>
        <source>somebody changed it after it was delivered</source>
        <translation>jemand hat es nach der Lieferung geändert</translation>
    </message>
    <message>
        <source>somebody changed “{}” after it was delivered</source>
        <translation>jemand hat „{}“ nach der Lieferung geändert</translation>
    </message>
    <message>
        <source>something</source>
        <translation>etwas</translation>
    </message>
    <message>
        <source>something is called "{}" already.</source>
        <translation>etwas heißt schon „{}“.</translation>
    </message>
    <message>
        <source>something stands elsewhere, or did not arrive</source>
        <translation>etwas steht anderswo oder kam nicht an</translation>
    </message>
    <message>
        <source>speaks version {} of the live hand-over; this program speaks {}.</source>
        <translation>spricht Fassung {} der Live-Übergabe; dieses Programm spricht {}.</translation>
    </message>
    <message>
        <source>sphere</source>
        <translation>Kugel</translation>
    </message>
    <message>
        <source>spine</source>
        <translation>Wirbelsäule</translation>
    </message>
    <message>
        <source>spread</source>
        <translation>verteilt</translation>
    </message>
    <message>
        <source>stale</source>
        <translation>veraltet</translation>
    </message>
    <message>
        <source>stands before “{}”, not behind it</source>
        <translation>steht vor „{}“, nicht dahinter</translation>
    </message>
    <message>
        <source>stands in other axes than the model: it is rotated upright.</source>
        <translation>steht in anderen Achsen als das Modell: es wird aufgerichtet.</translation>
    </message>
    <message>
        <source>stands {:.3g} m aside of the model: it is moved there.</source>
        <translation>steht {:.3g} m neben dem Modell: es wird dorthin gerückt.</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>stay</source>
        <translation>bleiben</translation>
    </message>
    <message>
        <source>stay, too</source>
        <translation>bleiben auch</translation>
    </message>
    <message>
        <source>step %1 of the card</source>
        <translation>Schritt %1 der Karte</translation>
    </message>
    <message>
        <source>step {} ({}) cannot do all: {}</source>
        <translation>Schritt {} ({}) kann nicht alles: {}</translation>
    </message>
    <message>
        <source>step {} ({}) no longer fits: {}</source>
        <translation>Schritt {} ({}) passt nicht mehr: {}</translation>
    </message>
    <message>
        <source>step {}: {}</source>
        <translation>Schritt {}: {}</translation>
    </message>
    <message>
        <source>step {}: {}, {}</source>
        <translation>Schritt {}: {}, {}</translation>
    </message>
    <message>
        <source>stepped</source>
        <translation>gestuft</translation>
    </message>
    <message>
        <source>stiff</source>
        <translation>starr</translation>
    </message>
    <message>
        <source>stiff, with the face at the root</source>
        <translation>starr, mit der Fläche an der Wurzel</translation>
    </message>
    <message>
        <source>still</source>
        <translation>still</translation>
    </message>
    <message>
        <source>stop</source>
        <translation>Stopp</translation>
    </message>
    <message>
        <source>stored: %1</source>
        <translation>gemerkt: %1</translation>
    </message>
    <message>
        <source>straight</source>
        <translation>gerade</translation>
    </message>
    <message>
        <source>straight edge</source>
        <translation>gerader Rand</translation>
    </message>
    <message>
        <source>strand</source>
        <translation>Strähne</translation>
    </message>
    <message>
        <source>strands</source>
        <translation>Strähnen</translation>
    </message>
    <message>
        <source>strands of one side take no guide of the other</source>
        <translation>Strähnen der einen Seite nehmen keine Leitkurve der anderen</translation>
    </message>
    <message>
        <source>strands without roots cannot be tied to a surface; “Root strands” finds them</source>
        <translation>Strähnen ohne Wurzeln lassen sich an keine Oberfläche binden; „Strähnen verwurzeln“ findet sie</translation>
    </message>
    <message>
        <source>strands without widths are nothing in an engine; “Set strand widths” gives them some</source>
        <translation>Strähnen ohne Breite sind in einer Engine nichts; „Breiten der Strähnen setzen“ gibt ihnen welche</translation>
    </message>
    <message>
        <source>strength of the occlusion</source>
        <translation>Stärke der Verdeckung</translation>
    </message>
    <message>
        <source>such set</source>
        <translation>solchen Satz</translation>
    </message>
    <message>
        <source>surface</source>
        <translation>Oberfläche</translation>
    </message>
    <message>
        <source>surfaces</source>
        <translation>Oberflächen</translation>
    </message>
    <message>
        <source>tail</source>
        <translation>Schwanz</translation>
    </message>
    <message>
        <source>take</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>take the %1 that are offered</source>
        <translation>die %1 angebotenen nehmen</translation>
    </message>
    <message>
        <source>take the one that is offered</source>
        <translation>den angebotenen nehmen</translation>
    </message>
    <message>
        <source>take · %1 · %2 fps</source>
        <translation>Aufnahme · %1 · %2 B/s</translation>
    </message>
    <message>
        <source>taken</source>
        <translation>übernommen</translation>
    </message>
    <message>
        <source>taken out</source>
        <translation>herausgenommen</translation>
    </message>
    <message>
        <source>taken · </source>
        <translation>übernommen · </translation>
    </message>
    <message>
        <source>takes no poses</source>
        <translation>nimmt keine Posen an</translation>
    </message>
    <message>
        <source>takes shapes after the skin; they are taken before it here.</source>
        <translation>nimmt Formen nach dem Skin; hier werden sie davor genommen.</translation>
    </message>
    <message>
        <source>tangents</source>
        <translation>Tangenten</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>Textur</translation>
    </message>
    <message>
        <source>texture coordinates</source>
        <translation>Texturkoordinaten</translation>
    </message>
    <message>
        <source>texture coordinates are no numbers.</source>
        <translation>Texturkoordinaten sind keine Zahlen.</translation>
    </message>
    <message>
        <source>texture of metalness and roughness</source>
        <translation>Textur von Metall und Rauheit</translation>
    </message>
    <message>
        <source>texture of the base colour</source>
        <translation>Textur der Grundfarbe</translation>
    </message>
    <message>
        <source>texture of the emission</source>
        <translation>Textur des Leuchtens</translation>
    </message>
    <message>
        <source>texture of the normals</source>
        <translation>Textur der Normalen</translation>
    </message>
    <message>
        <source>texture of the occlusion</source>
        <translation>Textur der Verdeckung</translation>
    </message>
    <message>
        <source>textures</source>
        <translation>Texturen</translation>
    </message>
    <message>
        <source>that delivery has no such file any more</source>
        <translation>jene Lieferung hat keine solche Datei mehr</translation>
    </message>
    <message>
        <source>the array {} is not there, or not as it was written.</source>
        <translation>das Feld {} ist nicht da, oder nicht, wie es geschrieben wurde.</translation>
    </message>
    <message>
        <source>the asset</source>
        <translation>die Datei</translation>
    </message>
    <message>
        <source>the bind pose of “{}” has no size.</source>
        <translation>die Bindepose von „{}“ hat keine Größe.</translation>
    </message>
    <message>
        <source>the body has no size: a plan counts in shares of it.</source>
        <translation>der Körper hat keine Größe: ein Plan zählt in Anteilen davon.</translation>
    </message>
    <message>
        <source>the bone of “{}” has no length.</source>
        <translation>der Knochen von „{}“ hat keine Länge.</translation>
    </message>
    <message>
        <source>the card leaves nothing of it to deliver</source>
        <translation>die Karte lässt nichts davon auszuliefern</translation>
    </message>
    <message>
        <source>the character looks along {}: it lies on its back or face.</source>
        <translation>die Figur schaut entlang {}: sie liegt auf dem Rücken oder dem Gesicht.</translation>
    </message>
    <message>
        <source>the character that ends a prefix</source>
        <translation>das Zeichen, mit dem ein Vorsatz endet</translation>
    </message>
    <message>
        <source>the clip's own keys</source>
        <translation>die eigenen Schlüssel des Clips</translation>
    </message>
    <message>
        <source>the collision hulls alone, as surfaces</source>
        <translation>die Kollisionshüllen allein, als Oberflächen</translation>
    </message>
    <message>
        <source>the container</source>
        <translation>das Format</translation>
    </message>
    <message>
        <source>the container does not hold</source>
        <translation>fasst das Format nicht</translation>
    </message>
    <message>
        <source>the container holds none</source>
        <translation>das Format fasst keine</translation>
    </message>
    <message>
        <source>the contract “{}”</source>
        <translation>der Vertrag „{}“</translation>
    </message>
    <message>
        <source>the density was painted on {}, and “{}” has {} now.</source>
        <translation>die Dichte wurde auf {} gemalt, und „{}“ hat jetzt {}.</translation>
    </message>
    <message>
        <source>the destination</source>
        <translation>das Ziel</translation>
    </message>
    <message>
        <source>the destination changed</source>
        <translation>das Ziel hat sich geändert</translation>
    </message>
    <message>
        <source>the destination does not take</source>
        <translation>nimmt das Ziel nicht</translation>
    </message>
    <message>
        <source>the destination takes fewer; allow more drift, or take a shorter range</source>
        <translation>das Ziel nimmt weniger; erlauben Sie mehr Drift, oder nehmen Sie eine kürzere Strecke</translation>
    </message>
    <message>
        <source>the destination takes none</source>
        <translation>das Ziel nimmt keine</translation>
    </message>
    <message>
        <source>the extension "</source>
        <translation>die Erweiterung „</translation>
    </message>
    <message>
        <source>the extension "{}" is left out: {}.</source>
        <translation>die Erweiterung „{}“ ist weggelassen: {}.</translation>
    </message>
    <message>
        <source>the face before the head</source>
        <translation>das Gesicht vor dem Kopf</translation>
    </message>
    <message>
        <source>the file</source>
        <translation>die Datei</translation>
    </message>
    <message>
        <source>the file ends before the first frame</source>
        <translation>die Datei endet vor dem ersten Bild</translation>
    </message>
    <message>
        <source>the file ends inside an End Site</source>
        <translation>die Datei endet in einem End Site</translation>
    </message>
    <message>
        <source>the file ends too early.</source>
        <translation>die Datei endet zu früh.</translation>
    </message>
    <message>
        <source>the file ends where "{}" is expected</source>
        <translation>die Datei endet, wo „{}“ erwartet wird</translation>
    </message>
    <message>
        <source>the file ends where {} is expected</source>
        <translation>die Datei endet, wo {} erwartet wird</translation>
    </message>
    <message>
        <source>the file ends where {} should be</source>
        <translation>die Datei endet, wo {} sein sollte</translation>
    </message>
    <message>
        <source>the file is cut short.</source>
        <translation>die Datei ist abgeschnitten.</translation>
    </message>
    <message>
        <source>the file is empty.</source>
        <translation>die Datei ist leer.</translation>
    </message>
    <message>
        <source>the file name “{}” does not fit its pattern {}.</source>
        <translation>der Dateiname „{}“ entspricht nicht seinem Muster {}.</translation>
    </message>
    <message>
        <source>the file name “{}” has {}, which not every system takes.</source>
        <translation>der Dateiname „{}“ hat {}, was nicht jedes System nimmt.</translation>
    </message>
    <message>
        <source>the file name “{}…” has {}; a system takes 255.</source>
        <translation>der Dateiname „{}…“ hat {}; ein System nimmt 255.</translation>
    </message>
    <message>
        <source>the file needs the extension "</source>
        <translation>die Datei braucht die Erweiterung „</translation>
    </message>
    <message>
        <source>the file says that it is another one, or nothing</source>
        <translation>die Datei sagt, dass sie eine andere ist, oder nichts</translation>
    </message>
    <message>
        <source>the file template has the unknown token {}.</source>
        <translation>die Vorlage der Dateinamen hat das unbekannte Zeichen {}.</translation>
    </message>
    <message>
        <source>the file would be called “{}”, which is the name of a device on some systems.</source>
        <translation>die Datei hieße „{}“, wie auf manchen Systemen ein Gerät.</translation>
    </message>
    <message>
        <source>the first once more</source>
        <translation>das erste noch einmal</translation>
    </message>
    <message>
        <source>the first once more, left out</source>
        <translation>das erste noch einmal, weggelassen</translation>
    </message>
    <message>
        <source>the first one is not JSON.</source>
        <translation>der erste ist kein JSON.</translation>
    </message>
    <message>
        <source>the first one's name if empty</source>
        <translation>leer: der Name der ersten</translation>
    </message>
    <message>
        <source>the folder would be called “{}”, which is the name of a device on some systems.</source>
        <translation>der Ordner hieße „{}“, wie auf manchen Systemen ein Gerät.</translation>
    </message>
    <message>
        <source>the folder “{}” does not fit its pattern {}.</source>
        <translation>der Ordner „{}“ entspricht nicht seinem Muster {}.</translation>
    </message>
    <message>
        <source>the folder “{}” has {}, which not every system takes.</source>
        <translation>der Ordner „{}“ hat {}, was nicht jedes System nimmt.</translation>
    </message>
    <message>
        <source>the folder “{}” is there as “{}”.</source>
        <translation>der Ordner „{}“ ist als „{}“ da.</translation>
    </message>
    <message>
        <source>the head is above the feet</source>
        <translation>der Kopf ist über den Füßen</translation>
    </message>
    <message>
        <source>the head is above the pelvis</source>
        <translation>der Kopf ist über dem Becken</translation>
    </message>
    <message>
        <source>the heat on “{}” has no balance: its triangles are too thin.</source>
        <translation>die Wärme auf „{}“ findet kein Gleichgewicht: seine Dreiecke sind zu schmal.</translation>
    </message>
    <message>
        <source>the image </source>
        <translation>das Bild </translation>
    </message>
    <message>
        <source>the image {} is not there, or not as it was taken.</source>
        <translation>das Bild {} ist nicht da, oder nicht, wie es genommen wurde.</translation>
    </message>
    <message>
        <source>the image “{}” is no PNG and no JPEG.</source>
        <translation>das Bild „{}“ ist kein PNG und kein JPEG.</translation>
    </message>
    <message>
        <source>the image “{}” is not there; it was sought beside the file.</source>
        <translation>das Bild „{}“ ist nicht da; es wurde neben der Datei gesucht.</translation>
    </message>
    <message>
        <source>the job</source>
        <translation>der Auftrag</translation>
    </message>
    <message>
        <source>the job has no destination</source>
        <translation>der Auftrag hat kein Ziel</translation>
    </message>
    <message>
        <source>the job has no destination “%1”; it has %2</source>
        <translation>der Auftrag hat kein Ziel „%1“; er hat %2</translation>
    </message>
    <message>
        <source>the joints stand so already</source>
        <translation>die Gelenke stehen schon so</translation>
    </message>
    <message>
        <source>the joints that hold "{}" have no size at rest.</source>
        <translation>die Gelenke, die „{}“ halten, haben in der Ruhe keine Größe.</translation>
    </message>
    <message>
        <source>the joints that hold the root</source>
        <translation>den Gelenken, die die Wurzel halten</translation>
    </message>
    <message>
        <source>the last {} of “{}” lead into its first pose</source>
        <translation>die letzten {} von „{}“ führen in seine erste Pose</translation>
    </message>
    <message>
        <source>the layer</source>
        <translation>die Schicht</translation>
    </message>
    <message>
        <source>the layer “{}” is not there; it was sought in the folder of the file and below.</source>
        <translation>die Schicht „{}“ ist nicht da; sie wurde im Ordner der Datei und darunter gesucht.</translation>
    </message>
    <message>
        <source>the library of materials “{}” is not there; it was sought beside the file.</source>
        <translation>die Materialbibliothek „{}“ ist nicht da; sie wurde neben der Datei gesucht.</translation>
    </message>
    <message>
        <source>the map names {}, which {} there</source>
        <translation>die Zuordnung nennt {}, das dort {}</translation>
    </message>
    <message>
        <source>the map of clumps has {} colours: strands of one colour are a clump.</source>
        <translation>die Karte der Bündel hat {} Farben: Strähnen einer Farbe sind ein Bündel.</translation>
    </message>
    <message>
        <source>the map of clumps {} is not there, or not as it was taken.</source>
        <translation>die Karte der Bündel {} ist nicht da, oder nicht, wie sie genommen wurde.</translation>
    </message>
    <message>
        <source>the model in its rest pose, without clips</source>
        <translation>das Modell in seiner Ruhepose, ohne Clips</translation>
    </message>
    <message>
        <source>the model of the same delivery does not lead to the pixels</source>
        <translation>das Modell derselben Lieferung führt nicht zu den Pixeln</translation>
    </message>
    <message>
        <source>the model with every clip</source>
        <translation>das Modell mit jedem Clip</translation>
    </message>
    <message>
        <source>the motion was made on another body</source>
        <translation>die Bewegung entstand an einem anderen Körper</translation>
    </message>
    <message>
        <source>the name "{}" is taken already.</source>
        <translation>der Name „{}“ ist schon vergeben.</translation>
    </message>
    <message>
        <source>the name of a prim</source>
        <translation>der Name eines Prims</translation>
    </message>
    <message>
        <source>the name of a set of variants</source>
        <translation>der Name eines Variantensatzes</translation>
    </message>
    <message>
        <source>the name of a variant</source>
        <translation>der Name einer Variante</translation>
    </message>
    <message>
        <source>the name “{}” is taken already.</source>
        <translation>der Name „{}“ ist schon vergeben.</translation>
    </message>
    <message>
        <source>the numbers of {} are stored as floats now, each the same.</source>
        <translation>die Zahlen von {} sind jetzt als Gleitkommazahlen gespeichert, jede gleich.</translation>
    </message>
    <message>
        <source>the one root</source>
        <translation>die eine Wurzel</translation>
    </message>
    <message>
        <source>the parameters are not an object.</source>
        <translation>die Angaben sind kein Objekt.</translation>
    </message>
    <message>
        <source>the parent of "{}" is not a name.</source>
        <translation>das Übergeordnete von „{}“ ist kein Name.</translation>
    </message>
    <message>
        <source>the parent transform "{}" scales the joints from above.</source>
        <translation>die Transformation „{}“ skaliert die Gelenke von oben.</translation>
    </message>
    <message>
        <source>the path “{}” has {}; it takes {}.</source>
        <translation>der Pfad „{}“ hat {}; es nimmt {}.</translation>
    </message>
    <message>
        <source>the pelvis is above the feet</source>
        <translation>das Becken ist über den Füßen</translation>
    </message>
    <message>
        <source>the pictures could not be put together.</source>
        <translation>die Bilder ließen sich nicht zusammensetzen.</translation>
    </message>
    <message>
        <source>the pixels go beyond them, or do not reach them</source>
        <translation>die Pixel gehen darüber hinaus, oder erreichen sie nicht</translation>
    </message>
    <message>
        <source>the plan has no guide {}</source>
        <translation>der Plan hat keinen Leitpunkt {}</translation>
    </message>
    <message>
        <source>the pose it was bound in</source>
        <translation>die Pose, in der gebunden wurde</translation>
    </message>
    <message>
        <source>the pose of "{}" is none: it needs three numbers of "translation_m" and four of "rotation_xyzw".</source>
        <translation>die Pose von „{}“ ist keine: sie braucht drei Zahlen „translation_m“ und vier „rotation_xyzw“.</translation>
    </message>
    <message>
        <source>the pose “{}”</source>
        <translation>die Pose „{}“</translation>
    </message>
    <message>
        <source>the region is of another surface: its faces changed.</source>
        <translation>der Bereich ist von einer anderen Oberfläche: ihre Flächen haben sich geändert.</translation>
    </message>
    <message>
        <source>the root is “{}”</source>
        <translation>die Wurzel ist „{}“</translation>
    </message>
    <message>
        <source>the root is “{}”, {} expects “{}”</source>
        <translation>die Wurzel ist „{}“, {} erwartet „{}“</translation>
    </message>
    <message>
        <source>the route card changed</source>
        <translation>die Laufkarte hat sich geändert</translation>
    </message>
    <message>
        <source>the rules leave nothing of the name.</source>
        <translation>die Regeln lassen vom Namen nichts übrig.</translation>
    </message>
    <message>
        <source>the same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>the same, within 0.1 mm</source>
        <translation>gleich, bis auf 0,1 mm</translation>
    </message>
    <message>
        <source>the scene</source>
        <translation>die Szene</translation>
    </message>
    <message>
        <source>the skin “{}” lists {} after {}</source>
        <translation>der Skin „{}“ nennt {} nach {}</translation>
    </message>
    <message>
        <source>the sources before it</source>
        <translation>die Quellen davor</translation>
    </message>
    <message>
        <source>the surface has no faces.</source>
        <translation>die Oberfläche hat keine Flächen.</translation>
    </message>
    <message>
        <source>the surface has no texture coordinates: a map of clumps cannot lie on it.</source>
        <translation>die Oberfläche hat keine Texturkoordinaten: eine Karte der Bündel kann nicht darauf liegen.</translation>
    </message>
    <message>
        <source>the surface has no values called "{}".</source>
        <translation>die Oberfläche hat keine Werte namens „{}“.</translation>
    </message>
    <message>
        <source>the surface is under no skin: there are no joints to follow.</source>
        <translation>die Oberfläche ist unter keinem Skin: es gibt keine Gelenke, denen zu folgen wäre.</translation>
    </message>
    <message>
        <source>the surface looks along X, and left and right are mirrored across X: “Face forward” turns it</source>
        <translation>die Oberfläche schaut entlang X, und links und rechts sind über X gespiegelt: „Nach vorn drehen“ dreht sie</translation>
    </message>
    <message>
        <source>the template of hulls has the unknown token {}.</source>
        <translation>die Vorlage der Hüllen hat das unbekannte Zeichen {}.</translation>
    </message>
    <message>
        <source>the template of hulls is empty.</source>
        <translation>die Vorlage der Hüllen ist leer.</translation>
    </message>
    <message>
        <source>the way it goes</source>
        <translation>wohin es geht</translation>
    </message>
    <message>
        <source>the world's origin for {}: what they show stays where it is</source>
        <translation>der Ursprung der Welt für {}: was sie zeigen, bleibt, wo es ist</translation>
    </message>
    <message>
        <source>the {} image is neither a PNG nor a JPEG.</source>
        <translation>das Bild {} ist weder ein PNG noch ein JPEG.</translation>
    </message>
    <message>
        <source>there are more than 20000 joints</source>
        <translation>es gibt mehr als 20000 Gelenke</translation>
    </message>
    <message>
        <source>there are no clips.</source>
        <translation>es gibt keine Clips.</translation>
    </message>
    <message>
        <source>there are no guides.</source>
        <translation>es gibt keine Leitkurven.</translation>
    </message>
    <message>
        <source>there are no joints to put a root above.</source>
        <translation>es gibt keine Gelenke, über die eine Wurzel käme.</translation>
    </message>
    <message>
        <source>there are no strands.</source>
        <translation>es gibt keine Strähnen.</translation>
    </message>
    <message>
        <source>there are several strands: say which.</source>
        <translation>es gibt mehrere Strähnen: sagen Sie, welche.</translation>
    </message>
    <message>
        <source>there are {}, and a BVH holds one skeleton.</source>
        <translation>es gibt {}, und eine BVH fasst ein Skelett.</translation>
    </message>
    <message>
        <source>there are {}, and one is to carry the trajectory.</source>
        <translation>es gibt {}, und eine soll den Weg tragen.</translation>
    </message>
    <message>
        <source>there is a clip "{}" already.</source>
        <translation>es gibt schon einen Clip „{}“.</translation>
    </message>
    <message>
        <source>there is a clip “{}” already.</source>
        <translation>es gibt schon einen Clip „{}“.</translation>
    </message>
    <message>
        <source>there is a shape “{}” already.</source>
        <translation>es gibt schon eine Form „{}“.</translation>
    </message>
    <message>
        <source>there is a skeleton of {} already.</source>
        <translation>es gibt schon ein Skelett: {}.</translation>
    </message>
    <message>
        <source>there is no MOTION</source>
        <translation>es gibt keine MOTION</translation>
    </message>
    <message>
        <source>there is no clip "{}".</source>
        <translation>es gibt keinen Clip „{}“.</translation>
    </message>
    <message>
        <source>there is no clip "{}"; there are {}.</source>
        <translation>es gibt keinen Clip „{}“; es gibt {}.</translation>
    </message>
    <message>
        <source>there is no clip “{}”.</source>
        <translation>es gibt keinen Clip „{}“.</translation>
    </message>
    <message>
        <source>there is no frame {}.</source>
        <translation>es gibt kein Bild {}.</translation>
    </message>
    <message>
        <source>there is no guide: nothing can grow</source>
        <translation>es gibt keine Leitkurve: nichts kann wachsen</translation>
    </message>
    <message>
        <source>there is no hull “{}”</source>
        <translation>es gibt keine Hülle „{}“</translation>
    </message>
    <message>
        <source>there is no joint "{}" to take the weights.</source>
        <translation>es gibt kein Gelenk „{}“, das die Gewichte nimmt.</translation>
    </message>
    <message>
        <source>there is no joint "{}".</source>
        <translation>es gibt kein Gelenk „{}“.</translation>
    </message>
    <message>
        <source>there is no joint or shape {}</source>
        <translation>es gibt kein Gelenk und keine Form {}</translation>
    </message>
    <message>
        <source>there is no joint that a surface could be bound to.</source>
        <translation>es gibt kein Gelenk, an das sich eine Oberfläche binden ließe.</translation>
    </message>
    <message>
        <source>there is no joint {} any more</source>
        <translation>es gibt kein Gelenk {} mehr</translation>
    </message>
    <message>
        <source>there is no joint “{}”.</source>
        <translation>es gibt kein Gelenk „{}“.</translation>
    </message>
    <message>
        <source>there is no skeleton to put motion onto.</source>
        <translation>es gibt kein Skelett, auf das Bewegung gebracht werden könnte.</translation>
    </message>
    <message>
        <source>there is no skeleton to take a plan of.</source>
        <translation>es gibt kein Skelett, von dem ein Plan zu nehmen wäre.</translation>
    </message>
    <message>
        <source>there is no skeleton yet: build one</source>
        <translation>es gibt noch kein Skelett: bauen Sie eines</translation>
    </message>
    <message>
        <source>there is no skinned surface “{}” to copy from.</source>
        <translation>es gibt keine Oberfläche „{}“ unter einem Skin, von der kopiert werden könnte.</translation>
    </message>
    <message>
        <source>there is no source “{}” with surfaces.</source>
        <translation>es gibt keine Quelle „{}“ mit Oberflächen.</translation>
    </message>
    <message>
        <source>there is no source “{}”.</source>
        <translation>es gibt keine Quelle „{}“.</translation>
    </message>
    <message>
        <source>there is no step "</source>
        <translation>es gibt keinen Schritt „</translation>
    </message>
    <message>
        <source>there is no surface “{}”.</source>
        <translation>es gibt keine Oberfläche „{}“.</translation>
    </message>
    <message>
        <source>there is no take "{}"{}.</source>
        <translation>es gibt keine Aufnahme „{}“{}.</translation>
    </message>
    <message>
        <source>there is no type “{}”</source>
        <translation>es gibt keine Art „{}“</translation>
    </message>
    <message>
        <source>there is no {} {} any more</source>
        <translation>es gibt kein {} {} mehr</translation>
    </message>
    <message>
        <source>there is nothing of it inside its range</source>
        <translation>innerhalb seines Bereichs ist nichts davon</translation>
    </message>
    <message>
        <source>there is nothing to deliver: the job has nothing of the kinds that it is given.</source>
        <translation>es gibt nichts auszuliefern: der Auftrag hat nichts von den Arten, die es bekommt.</translation>
    </message>
    <message>
        <source>there is nothing to deliver: the route card left nothing.</source>
        <translation>es gibt nichts auszuliefern: die Laufkarte ließ nichts übrig.</translation>
    </message>
    <message>
        <source>there is nothing to pack.</source>
        <translation>es gibt nichts zu packen.</translation>
    </message>
    <message>
        <source>there is nothing to pack: nothing was delivered.</source>
        <translation>es gibt nichts zu packen: nichts wurde ausgeliefert.</translation>
    </message>
    <message>
        <source>there is nothing to place.</source>
        <translation>es gibt nichts zu setzen.</translation>
    </message>
    <message>
        <source>there is nothing to set on the ground.</source>
        <translation>es gibt nichts auf den Boden zu stellen.</translation>
    </message>
    <message>
        <source>they are kept, so that points keep their numbers</source>
        <translation>sie werden behalten, damit Punkte ihre Nummern behalten</translation>
    </message>
    <message>
        <source>they are not those of Prepared</source>
        <translation>es sind nicht die des Vorbereiteten</translation>
    </message>
    <message>
        <source>they did not arrive</source>
        <translation>sie kamen nicht an</translation>
    </message>
    <message>
        <source>they point another way</source>
        <translation>sie zeigen in eine andere Richtung</translation>
    </message>
    <message>
        <source>they were under a skin: root them and let them follow</source>
        <translation>sie waren unter einem Skin: verwurzeln Sie sie und lassen Sie sie folgen</translation>
    </message>
    <message>
        <source>thing</source>
        <translation>Ding</translation>
    </message>
    <message>
        <source>those joints hold nothing</source>
        <translation>jene Gelenke halten nichts</translation>
    </message>
    <message>
        <source>those of the pixels</source>
        <translation>die der Pixel</translation>
    </message>
    <message>
        <source>through the volume</source>
        <translation>durch das Volumen</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>to the origin: {}</source>
        <translation>in den Ursprung: {}</translation>
    </message>
    <message>
        <source>toes before the feet</source>
        <translation>Zehen vor den Füßen</translation>
    </message>
    <message>
        <source>toward</source>
        <translation>nach</translation>
    </message>
    <message>
        <source>trajectory of {} {} in {}{}</source>
        <translation>Weg von {} {} in {}{}</translation>
    </message>
    <message>
        <source>translation keys</source>
        <translation>Verschiebungsschlüssel</translation>
    </message>
    <message>
        <source>trim</source>
        <translation>kürzen</translation>
    </message>
    <message>
        <source>tube</source>
        <translation>Röhre</translation>
    </message>
    <message>
        <source>turn</source>
        <translation>drehen</translation>
    </message>
    <message>
        <source>twist</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>two clips would have the same name: {}.</source>
        <translation>zwei Clips hießen gleich: {}.</translation>
    </message>
    <message>
        <source>two deliverables would share the file name "{}".</source>
        <translation>zwei Dateien hätten denselben Namen „{}“.</translation>
    </message>
    <message>
        <source>two jobs are the variant “{}” of “{}”.</source>
        <translation>zwei Aufträge sind die Variante „{}“ von „{}“.</translation>
    </message>
    <message>
        <source>two joints would be called “{}”.</source>
        <translation>zwei Gelenke hießen „{}“.</translation>
    </message>
    <message>
        <source>two nodes would be called {}.</source>
        <translation>zwei Knoten hießen {}.</translation>
    </message>
    <message>
        <source>two nodes would have the same name: {}.</source>
        <translation>zwei Knoten hießen gleich: {}.</translation>
    </message>
    <message>
        <source>two of its prims or properties have one name</source>
        <translation>zwei ihrer Prims oder Eigenschaften haben einen Namen</translation>
    </message>
    <message>
        <source>two shapes would be called {}.</source>
        <translation>zwei Formen hießen {}.</translation>
    </message>
    <message>
        <source>two surfaces were bound to “{}” in two poses, and a USD skeleton has one.</source>
        <translation>zwei Oberflächen wurden in zwei Posen an „{}“ gebunden, und ein USD-Skelett hat eine.</translation>
    </message>
    <message>
        <source>two {} would have the same name: {}.</source>
        <translation>zwei {} hießen gleich: {}.</translation>
    </message>
    <message>
        <source>under %1</source>
        <translation>unter %1</translation>
    </message>
    <message>
        <source>under which its files are given on</source>
        <translation>unter der ihre Dateien weitergegeben werden</translation>
    </message>
    <message>
        <source>under {} and not {}</source>
        <translation>unter {} und nicht {}</translation>
    </message>
    <message>
        <source>undone, too (by pivot)</source>
        <translation>auch rückgängig (nach Drehpunkt)</translation>
    </message>
    <message>
        <source>up and down</source>
        <translation>auf und ab</translation>
    </message>
    <message>
        <source>up to %1 mm · %2 vertices</source>
        <translation>bis zu %1 mm · %2 Punkte</translation>
    </message>
    <message>
        <source>up to {:.3g} off 1</source>
        <translation>bis zu {:.3g} neben 1</translation>
    </message>
    <message>
        <source>up to {:.4g} off 1 ({})</source>
        <translation>bis zu {:.4g} neben 1 ({})</translation>
    </message>
    <message>
        <source>upper</source>
        <translation>groß</translation>
    </message>
    <message>
        <source>uses accessor {}, but there are only {}.</source>
        <translation>benutzt Zugriff {}, doch es gibt nur {}.</translation>
    </message>
    <message>
        <source>uses buffer view {}, but there are only {}.</source>
        <translation>benutzt Puffersicht {}, doch es gibt nur {}.</translation>
    </message>
    <message>
        <source>value {} is not a number.</source>
        <translation>Wert {} ist keine Zahl.</translation>
    </message>
    <message>
        <source>values of curves</source>
        <translation>Werte der Kurven</translation>
    </message>
    <message>
        <source>version {} is delivered by now</source>
        <translation>inzwischen ist Fassung {} ausgeliefert</translation>
    </message>
    <message>
        <source>vertex colours</source>
        <translation>Farben der Punkte</translation>
    </message>
    <message>
        <source>vertex {} is {} mm from its place</source>
        <translation>Punkt {} ist {} mm von seinem Platz</translation>
    </message>
    <message>
        <source>vertex {} names joint {}.</source>
        <translation>Punkt {} nennt Gelenk {}.</translation>
    </message>
    <message>
        <source>vertex {} of “{}”</source>
        <translation>Punkt {} von „{}“</translation>
    </message>
    <message>
        <source>vertices</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>vertices are numbers and ranges: “12”, “20-31”.</source>
        <translation>Punkte sind Zahlen und Bereiche: „12“, „20-31“.</translation>
    </message>
    <message>
        <source>vertices with %1 influences</source>
        <translation>Punkte mit %1 Einflüssen</translation>
    </message>
    <message>
        <source>volume</source>
        <translation>Volumen</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>waits</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>was %1</source>
        <translation>war %1</translation>
    </message>
    <message>
        <source>was made by another version of Wembrix.</source>
        <translation>wurde von einer anderen Fassung von Wembrix gemacht.</translation>
    </message>
    <message>
        <source>was not there</source>
        <translation>war nicht da</translation>
    </message>
    <message>
        <source>was stopped.</source>
        <translation>wurde angehalten.</translation>
    </message>
    <message>
        <source>weight %1</source>
        <translation>Gewicht %1</translation>
    </message>
    <message>
        <source>weight %1, held here</source>
        <translation>Gewicht %1, hier gehalten</translation>
    </message>
    <message>
        <source>weighted vertices</source>
        <translation>Punkte mit Gewicht</translation>
    </message>
    <message>
        <source>weighted vertices      contract</source>
        <translation>Punkte mit Gewicht      Vertrag</translation>
    </message>
    <message>
        <source>weights</source>
        <translation>Gewichte</translation>
    </message>
    <message>
        <source>weights of {} changed</source>
        <translation>Gewichte von {} geändert</translation>
    </message>
    <message>
        <source>weights of {} went to {}</source>
        <translation>Gewichte von {} gingen an {}</translation>
    </message>
    <message>
        <source>weights or shapes</source>
        <translation>Gewichte oder Formen</translation>
    </message>
    <message>
        <source>weights then on</source>
        <translation>Gewichte danach auf</translation>
    </message>
    <message>
        <source>what further programs say in it stays behind, too.</source>
        <translation>was weitere Programme darin sagen, bleibt auch zurück.</translation>
    </message>
    <message>
        <source>what should be a painted density is something else.</source>
        <translation>was eine gemalte Dichte sein sollte, ist etwas anderes.</translation>
    </message>
    <message>
        <source>what should be indices is something else.</source>
        <translation>was Indizes sein sollten, ist etwas anderes.</translation>
    </message>
    <message>
        <source>what stands above it scales it: bake the parent transforms or joint scales</source>
        <translation>was darüber steht, skaliert es: backen Sie die Transformationen darüber oder die Gelenkskalierung</translation>
    </message>
    <message>
        <source>what stands before and after is held, repeated or repeated_on.</source>
        <translation>was davor und danach steht, ist held, repeated oder repeated_on.</translation>
    </message>
    <message>
        <source>what they do to colours and coordinates stays out</source>
        <translation>was sie mit Farben und Koordinaten tun, bleibt draußen</translation>
    </message>
    <message>
        <source>what was painted </source>
        <translation>was gemalt wurde, </translation>
    </message>
    <message>
        <source>what was painted is on vertices that its surface did not have.</source>
        <translation>was gemalt wurde, liegt auf Punkten, die seine Oberfläche nicht hatte.</translation>
    </message>
    <message>
        <source>what {} carried along is left out</source>
        <translation>was {} mitführte, ist weggelassen</translation>
    </message>
    <message>
        <source>what “wembrix-cli farm run … --folder” names</source>
        <translation>was „wembrix-cli farm run … --folder“ nennt</translation>
    </message>
    <message>
        <source>what “{}” says in it in words of its own stays behind ({}).</source>
        <translation>was „{}“ darin in eigenen Worten sagt, bleibt zurück ({}).</translation>
    </message>
    <message>
        <source>where a texture lies on its coordinates</source>
        <translation>wo eine Textur auf ihren Koordinaten liegt</translation>
    </message>
    <message>
        <source>where it is</source>
        <translation>wo es steht</translation>
    </message>
    <message>
        <source>whether a node is seen</source>
        <translation>ob ein Knoten zu sehen ist</translation>
    </message>
    <message>
        <source>whether the other one is missing or has another name is yours to say</source>
        <translation>ob das andere fehlt oder anders heißt, sagen Sie</translation>
    </message>
    <message>
        <source>which of the two keeps its name is yours to say: rename one on the joint ladder</source>
        <translation>welches der beiden seinen Namen behält, sagen Sie: benennen Sie eines auf der Gelenkleiter um</translation>
    </message>
    <message>
        <source>who made what is in them</source>
        <translation>wer gemacht hat, was darin ist</translation>
    </message>
    <message>
        <source>whole</source>
        <translation>Ganzes</translation>
    </message>
    <message>
        <source>wing</source>
        <translation>Flügel</translation>
    </message>
    <message>
        <source>with %1 over it</source>
        <translation>mit %1 darüber</translation>
    </message>
    <message>
        <source>with %1 over it; names changed, so distances are not told</source>
        <translation>mit %1 darüber; Namen haben sich geändert, daher werden keine Abstände gesagt</translation>
    </message>
    <message>
        <source>with their</source>
        <translation>mit ihren</translation>
    </message>
    <message>
        <source>within 0.1°</source>
        <translation>innerhalb von 0,1°</translation>
    </message>
    <message>
        <source>within 5°</source>
        <translation>innerhalb von 5°</translation>
    </message>
    <message>
        <source>within {:g}°</source>
        <translation>innerhalb von {:g}°</translation>
    </message>
    <message>
        <source>world</source>
        <translation>Welt</translation>
    </message>
    <message>
        <source>world axes</source>
        <translation>Achsen der Welt</translation>
    </message>
    <message>
        <source>worst direction %1 (%2)</source>
        <translation>schlimmste Richtung %1 (%2)</translation>
    </message>
    <message>
        <source>would be larger than a glTF file can be.</source>
        <translation>würde größer, als eine glTF-Datei sein kann.</translation>
    </message>
    <message>
        <source>wrap across</source>
        <translation>Wiederholung quer</translation>
    </message>
    <message>
        <source>wrap along</source>
        <translation>Wiederholung längs</translation>
    </message>
    <message>
        <source>yes</source>
        <translation>ja</translation>
    </message>
    <message>
        <source>zero</source>
        <translation>null</translation>
    </message>
    <message>
        <source>{:.0f} kB</source>
        <translation>{:.0f} kB</translation>
    </message>
    <message>
        <source>{:.0f} strands of {} points are more than can be held.</source>
        <translation>{:.0f} Strähnen aus {} Punkten sind mehr, als gehalten werden können.</translation>
    </message>
    <message>
        <source>{:.0f}° about up: looked along {} ({})</source>
        <translation>{:.0f}° um die Achse nach oben: schaute entlang {} ({})</translation>
    </message>
    <message>
        <source>{:.1f} mm deep at the deepest, strand {}.</source>
        <translation>{:.1f} mm tief an der tiefsten Stelle, Strähne {}.</translation>
    </message>
    <message>
        <source>{:.1f} u</source>
        <translation>{:.1f} u</translation>
    </message>
    <message>
        <source>{:.2f} mm (vertex {} of {}, frame {} of “{}”)</source>
        <translation>{:.2f} mm (Punkt {} von {}, Bild {} von „{}“)</translation>
    </message>
    <message>
        <source>{:.2f} s</source>
        <translation>{:.2f} s</translation>
    </message>
    <message>
        <source>{:.2g} u off</source>
        <translation>{:.2g} u daneben</translation>
    </message>
    <message>
        <source>{:.3f} m</source>
        <translation>{:.3f} m</translation>
    </message>
    <message>
        <source>{:.3f} mm</source>
        <translation>{:.3f} mm</translation>
    </message>
    <message>
        <source>{:.3f} mm at {}, frame {}; the limit is {:g} mm</source>
        <translation>{:.3f} mm bei {}, Bild {}; die Grenze ist {:g} mm</translation>
    </message>
    <message>
        <source>{:.3f} mm away at frame {}</source>
        <translation>{:.3f} mm entfernt bei Bild {}</translation>
    </message>
    <message>
        <source>{:.3f} mm, frame {}; the limit is {:g} mm</source>
        <translation>{:.3f} mm, Bild {}; die Grenze ist {:g} mm</translation>
    </message>
    <message>
        <source>{:.3f} s</source>
        <translation>{:.3f} s</translation>
    </message>
    <message>
        <source>{:.3f} s, {} f</source>
        <translation>{:.3f} s, {} B</translation>
    </message>
    <message>
        <source>{:.3f} to {:.3f} mm</source>
        <translation>{:.3f} bis {:.3f} mm</translation>
    </message>
    <message>
        <source>{:.3f} u</source>
        <translation>{:.3f} u</translation>
    </message>
    <message>
        <source>{:.3f} x {:.3f} x {:.3f} m</source>
        <translation>{:.3f} x {:.3f} x {:.3f} m</translation>
    </message>
    <message>
        <source>{:.3g} cm</source>
        <translation>{:.3g} cm</translation>
    </message>
    <message>
        <source>{:.3g} m</source>
        <translation>{:.3g} m</translation>
    </message>
    <message>
        <source>{:.3g} m and {:.1f}°</source>
        <translation>{:.3g} m und {:.1f}°</translation>
    </message>
    <message>
        <source>{:.3g} mm</source>
        <translation>{:.3g} mm</translation>
    </message>
    <message>
        <source>{:.3g} times as large as {}</source>
        <translation>{:.3g}-mal so groß wie {}</translation>
    </message>
    <message>
        <source>{:.3g} times smaller than {}</source>
        <translation>{:.3g}-mal kleiner als {}</translation>
    </message>
    <message>
        <source>{:.3g}×{:.3g}×{:.3g} cm</source>
        <translation>{:.3g}×{:.3g}×{:.3g} cm</translation>
    </message>
    <message>
        <source>{:.3g}×{:.3g}×{:.3g} u</source>
        <translation>{:.3g}×{:.3g}×{:.3g} u</translation>
    </message>
    <message>
        <source>{:.4f} m became {:.4f} m</source>
        <translation>aus {:.4f} m wurden {:.4f} m</translation>
    </message>
    <message>
        <source>{:.4f} mm</source>
        <translation>{:.4f} mm</translation>
    </message>
    <message>
        <source>{:.4f} mm at {}, moment {}</source>
        <translation>{:.4f} mm bei {}, Moment {}</translation>
    </message>
    <message>
        <source>{:.4f} mm from its place</source>
        <translation>{:.4f} mm von seinem Platz</translation>
    </message>
    <message>
        <source>{:.4f} mm from its place in the world</source>
        <translation>{:.4f} mm von seinem Platz in der Welt</translation>
    </message>
    <message>
        <source>{:.4f} mm off</source>
        <translation>{:.4f} mm daneben</translation>
    </message>
    <message>
        <source>{:.4g} times too large</source>
        <translation>{:.4g}-mal zu groß</translation>
    </message>
    <message>
        <source>{:.4g} times too small</source>
        <translation>{:.4g}-mal zu klein</translation>
    </message>
    <message>
        <source>{:.6f} s and not {:.6f} s</source>
        <translation>{:.6f} s und nicht {:.6f} s</translation>
    </message>
    <message>
        <source>{:.6g} m</source>
        <translation>{:.6g} m</translation>
    </message>
    <message>
        <source>{job}, {destination}, {kind}, {date} and {number} are filled in, “/” makes folders.</source>
        <translation>{job}, {destination}, {kind}, {date} und {number} werden ausgefüllt, „/“ macht Ordner.</translation>
    </message>
    <message>
        <source>{surface}, {number} and {kind} are filled in.</source>
        <translation>{surface}, {number} und {kind} werden ausgefüllt.</translation>
    </message>
    <message>
        <source>{} ({} cubic, {} stepped, {} linear)</source>
        <translation>{} ({} kubisch, {} gestuft, {} linear)</translation>
    </message>
    <message>
        <source>{} a scale</source>
        <translation>eine Skalierung haben {}</translation>
    </message>
    <message>
        <source>{} after the plan “{}”, {} of {} placed{}</source>
        <translation>{} nach dem Plan „{}“, {} von {} gesetzt{}</translation>
    </message>
    <message>
        <source>{} and not {}</source>
        <translation>{} und nicht {}</translation>
    </message>
    <message>
        <source>{} and {} differ in capitals only</source>
        <translation>{} und {} unterscheiden sich nur in der Großschreibung</translation>
    </message>
    <message>
        <source>{} and {} more</source>
        <translation>{} und {} weitere</translation>
    </message>
    <message>
        <source>{} are</source>
        <translation>{}</translation>
    </message>
    <message>
        <source>{} as lines of {}, {} widths</source>
        <translation>{} als Linien von {}, {} Breiten</translation>
    </message>
    <message>
        <source>{} as what is added to frame {} of {}, on the rest pose</source>
        <translation>{} als das, was zu Bild {} von {} hinzukommt, auf der Ruhepose</translation>
    </message>
    <message>
        <source>{} at another place in the list</source>
        <translation>{} an anderer Stelle der Liste</translation>
    </message>
    <message>
        <source>{} at another place in the list, {}</source>
        <translation>{} an anderer Stelle der Liste, {}</translation>
    </message>
    <message>
        <source>{} at frame {} of “{}”</source>
        <translation>{} bei Bild {} von „{}“</translation>
    </message>
    <message>
        <source>{} at weight {:g} became part of the surface</source>
        <translation>{} bei Gewicht {:g} wurden Teil der Oberfläche</translation>
    </message>
    <message>
        <source>{} at {:g} per second</source>
        <translation>{}, {:g} in der Sekunde</translation>
    </message>
    <message>
        <source>{} at {:g} per second: name what happens in them, or cut them into clips.</source>
        <translation>{}, {:g} in der Sekunde: benennen Sie, was darin geschieht, oder schneiden Sie Clips daraus.</translation>
    </message>
    <message>
        <source>{} attachment points or lights have</source>
        <translation>Ansatzpunkte oder Lichter mit Skalierung: {}</translation>
    </message>
    <message>
        <source>{} became another of its name, {} joined one of its material</source>
        <translation>{} wurden ein anderer ihres Namens, {} kamen zu einem ihres Materials</translation>
    </message>
    <message>
        <source>{} became {} and {}</source>
        <translation>aus {} wurden {} und {}</translation>
    </message>
    <message>
        <source>{} became {}: their faces have several values for them.</source>
        <translation>aus {} wurden {}: ihre Flächen haben mehrere Werte dafür.</translation>
    </message>
    <message>
        <source>{} became {}{}</source>
        <translation>aus {} wurden {}{}</translation>
    </message>
    <message>
        <source>{} became “{}”</source>
        <translation>aus {} wurde „{}“</translation>
    </message>
    <message>
        <source>{} begin with “{}”</source>
        <translation>{} beginnen mit „{}“</translation>
    </message>
    <message>
        <source>{} beginning more than {:g} mm from the surface</source>
        <translation>{} beginnen mehr als {:g} mm von der Oberfläche</translation>
    </message>
    <message>
        <source>{} below 0 or no number at all left out.</source>
        <translation>{} unter 0 oder keine Zahl, weggelassen.</translation>
    </message>
    <message>
        <source>{} below zero were left out.</source>
        <translation>{} unter null wurden weggelassen.</translation>
    </message>
    <message>
        <source>{} between rest and “{}” became shapes of their own: {}.</source>
        <translation>{} zwischen Ruhe und „{}“ wurden eigene Formen: {}.</translation>
    </message>
    <message>
        <source>{} bones of both were held against each other.</source>
        <translation>{} Knochen beider wurden verglichen.</translation>
    </message>
    <message>
        <source>{} brought to a sum of 1 (they had {:.3g} to {:.3g})</source>
        <translation>{} auf die Summe 1 gebracht (sie hatten {:.3g} bis {:.3g})</translation>
    </message>
    <message>
        <source>{} brought to the length 1</source>
        <translation>{} auf die Länge 1 gebracht</translation>
    </message>
    <message>
        <source>{} brought to {}, the largest weight lost {:.3f}</source>
        <translation>{} auf {} gebracht, das größte Gewicht verlor {:.3f}</translation>
    </message>
    <message>
        <source>{} brought to {}; in {} none of them moves</source>
        <translation>{} auf {} gebracht; in {} bewegt sich keiner davon</translation>
    </message>
    <message>
        <source>{} brought to {}; in {} they move {:.3f} mm in the mean and at most {}; the heaviest would move {:.3f} mm and at most {:.2f} mm</source>
        <translation>{} auf {} gebracht; in {} bewegen sie sich im Mittel {:.3f} mm und höchstens {}; mit den schwersten wären es {:.3f} mm und höchstens {:.2f} mm</translation>
    </message>
    <message>
        <source>{} brought to {}; no clip moves, so the heaviest stay</source>
        <translation>{} auf {} gebracht; kein Clip bewegt sich, also bleiben die schwersten</translation>
    </message>
    <message>
        <source>{} brought to {}; the most that one lost is {:.3f} of its weight</source>
        <translation>{} auf {} gebracht; das meiste, was einer verlor, ist {:.3f} seines Gewichts</translation>
    </message>
    <message>
        <source>{} by hand: {}</source>
        <translation>{} von Hand: {}</translation>
    </message>
    <message>
        <source>{} by {:.0f} mm</source>
        <translation>{} um {:.0f} mm</translation>
    </message>
    <message>
        <source>{} by {} % {}</source>
        <translation>{} um {} % {}</translation>
    </message>
    <message>
        <source>{} cannot be brought back before the skin: its joints flatten them there</source>
        <translation>{} lassen sich nicht vor den Skin zurückbringen: ihre Gelenke drücken sie dort flach</translation>
    </message>
    <message>
        <source>{} channels move what is no node; they are left out.</source>
        <translation>{} Kanäle bewegen, was kein Knoten ist; sie sind weggelassen.</translation>
    </message>
    <message>
        <source>{} clip{} renamed{}</source>
        <translation>Clips umbenannt: {0}{2}</translation>
    </message>
    <message>
        <source>{} counted at {:g} frames per second; as long as before</source>
        <translation>{} mit {:g} Bildern in der Sekunde gezählt; so lang wie zuvor</translation>
    </message>
    <message>
        <source>{} did not arrive point for point</source>
        <translation>nicht Punkt für Punkt angekommen: {}</translation>
    </message>
    <message>
        <source>{} differ</source>
        <translation>{} sind anders</translation>
    </message>
    <message>
        <source>{} differ, the first at {}</source>
        <translation>{} anders, das erste bei {}</translation>
    </message>
    <message>
        <source>{} differ, the first is {}</source>
        <translation>{} anders, das erste ist {}</translation>
    </message>
    <message>
        <source>{} differences</source>
        <translation>{} Unterschiede</translation>
    </message>
    <message>
        <source>{} do not</source>
        <translation>{} tun es nicht</translation>
    </message>
    <message>
        <source>{} do not fit</source>
        <translation>passen nicht: {}</translation>
    </message>
    <message>
        <source>{} does not fit {}</source>
        <translation>{} passt nicht auf {}</translation>
    </message>
    <message>
        <source>{} expected before “{}”</source>
        <translation>{} wird vor „{}“ erwartet</translation>
    </message>
    <message>
        <source>{} expects a root “{}”</source>
        <translation>{} erwartet eine Wurzel „{}“</translation>
    </message>
    <message>
        <source>{} f at {:g}/s</source>
        <translation>{} B mit {:g}/s</translation>
    </message>
    <message>
        <source>{} f, at most {}</source>
        <translation>{} B, höchstens {}</translation>
    </message>
    <message>
        <source>{} f, {}</source>
        <translation>{} B, {}</translation>
    </message>
    <message>
        <source>{} fit</source>
        <translation>{} passen</translation>
    </message>
    <message>
        <source>{} follow{}</source>
        <translation>{} folgen{}</translation>
    </message>
    <message>
        <source>{} frame {}</source>
        <translation>{} Bild {}</translation>
    </message>
    <message>
        <source>{} from lines, {} widths</source>
        <translation>{} aus Linien, {} Breiten</translation>
    </message>
    <message>
        <source>{} from the last frame to the first</source>
        <translation>{} vom letzten Bild zum ersten</translation>
    </message>
    <message>
        <source>{} go without: each engine makes its own, and bumps may turn the other way there.</source>
        <translation>{} ohne: jede Engine macht ihre eigenen, und Unebenheiten können sich dort umkehren.</translation>
    </message>
    <message>
        <source>{} goes from {:.1f} to {:.1f} m/s there.</source>
        <translation>{} geht dort von {:.1f} auf {:.1f} m/s.</translation>
    </message>
    <message>
        <source>{} goes {:.0f} mm in that one frame, and little before and after it.</source>
        <translation>{} geht in diesem einen Bild {:.0f} mm, davor und danach wenig.</translation>
    </message>
    <message>
        <source>{} gone on {}; a vertex gave away {:.3f} at most</source>
        <translation>{} fort auf {}; ein Punkt gab höchstens {:.3f} ab</translation>
    </message>
    <message>
        <source>{} gone: {} moved nothing</source>
        <translation>{} fort: {} bewegten nichts</translation>
    </message>
    <message>
        <source>{} had a name that another has already ("{}" is one); a number was put behind it.</source>
        <translation>{} hatten einen Namen, den ein anderes schon hat („{}“ etwa); eine Zahl steht nun dahinter.</translation>
    </message>
    <message>
        <source>{} had no name; the first is called {}.</source>
        <translation>{} hatten keinen Namen; das erste heißt {}.</translation>
    </message>
    <message>
        <source>{} had no weights; they follow the first joint now.</source>
        <translation>{} hatten keine Gewichte; sie folgen jetzt dem ersten Gelenk.</translation>
    </message>
    <message>
        <source>{} had no weights; they follow the skin's first joint now.</source>
        <translation>{} hatten keine Gewichte; sie folgen jetzt dem ersten Gelenk des Skins.</translation>
    </message>
    <message>
        <source>{} hang elsewhere ({})</source>
        <translation>{} hängen anderswo ({})</translation>
    </message>
    <message>
        <source>{} hangs on {} and should hang on {}</source>
        <translation>{} hängt an {} und sollte an {} hängen</translation>
    </message>
    <message>
        <source>{} has a scale that differs from axis to axis: only a convex hull keeps its shape under it</source>
        <translation>{} hat eine Skalierung, die je Achse verschieden ist: nur eine konvexe Hülle behält darunter ihre Form</translation>
    </message>
    <message>
        <source>{} has a scale, which what is attached there takes on; bake the joint scale before this step</source>
        <translation>{} hat eine Skalierung, die das Angesetzte annimmt; backen Sie die Gelenkskalierung vor diesem Schritt</translation>
    </message>
    <message>
        <source>{} has an uneven scale and stays; fold the scale before this step</source>
        <translation>{} hat eine ungleiche Skalierung und bleibt; falten Sie die Skalierung vor diesem Schritt ein</translation>
    </message>
    <message>
        <source>{} has no counterpart vertex for vertex</source>
        <translation>{} hat Punkt für Punkt kein Gegenstück</translation>
    </message>
    <message>
        <source>{} has no joints</source>
        <translation>{} hat keine Gelenke</translation>
    </message>
    <message>
        <source>{} has no normals</source>
        <translation>{} ohne Normalen</translation>
    </message>
    <message>
        <source>{} has no side in its name</source>
        <translation>{} hat keine Seite im Namen</translation>
    </message>
    <message>
        <source>{} has the frames 0 to {}, and no {}.</source>
        <translation>{} hat die Bilder 0 bis {}, und kein {}.</translation>
    </message>
    <message>
        <source>{} has weights of up to {:.2f} on {}, {} away from its other vertices (vertex {}).</source>
        <translation>{} hat Gewichte bis zu {:.2f} auf {}, {} entfernt von seinen anderen Punkten (Punkt {}).</translation>
    </message>
    <message>
        <source>{} has {:.4g}, {:.4g}, {:.4g}</source>
        <translation>{} hat {:.4g}, {:.4g}, {:.4g}</translation>
    </message>
    <message>
        <source>{} has {} elements where POSITION has {}.</source>
        <translation>{} hat {} Elemente, wo POSITION {} hat.</translation>
    </message>
    <message>
        <source>{} has {} numbers per vertex on one of them and {} on another.</source>
        <translation>{} hat je Punkt {} Zahlen auf der einen davon und {} auf einer anderen.</translation>
    </message>
    <message>
        <source>{} has {} numbers where the surface's has {}.</source>
        <translation>{} hat {} Zahlen, wo das der Oberfläche {} hat.</translation>
    </message>
    <message>
        <source>{} has {}, it had {}</source>
        <translation>{} hat {}, es waren {}</translation>
    </message>
    <message>
        <source>{} has {}, {} takes {}</source>
        <translation>{} hat {}, {} nimmt {}</translation>
    </message>
    <message>
        <source>{} have another number of points and are left out.</source>
        <translation>{} haben eine andere Zahl von Punkten und sind weggelassen.</translation>
    </message>
    <message>
        <source>{} have lines: say which.</source>
        <translation>{} haben Linien: sagen Sie, welche.</translation>
    </message>
    <message>
        <source>{} have no parent</source>
        <translation>ohne Übergeordnetes: {}</translation>
    </message>
    <message>
        <source>{} have none of the sculpt within {:g} mm and stay as they are</source>
        <translation>{} haben innerhalb von {:g} mm nichts vom Modellierten und bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>{} have nothing within {:g} mm and {:g}° and stay as they are</source>
        <translation>{} haben nichts innerhalb von {:g} mm und {:g}° und bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>{} have nothing within {:g} mm of their place on the other side</source>
        <translation>{} haben auf der anderen Seite innerhalb von {:g} mm ihres Ortes nichts</translation>
    </message>
    <message>
        <source>{} held by where it stood itself; joints alone hold here.</source>
        <translation>{} hielt die eigene Lage; hier halten nur Gelenke.</translation>
    </message>
    <message>
        <source>{} hold what goes out, so they go out too</source>
        <translation>{} halten, was hinausgeht, also gehen sie auch hinaus</translation>
    </message>
    <message>
        <source>{} in one plane, or with fewer than four corners, have no hull</source>
        <translation>{} in einer Ebene, oder mit weniger als vier Ecken, haben keine Hülle</translation>
    </message>
    <message>
        <source>{} into “{}” ({})</source>
        <translation>{} in „{}“ ({})</translation>
    </message>
    <message>
        <source>{} into “{}”, {}{}</source>
        <translation>{} in „{}“, {}{}</translation>
    </message>
    <message>
        <source>{} is a joint and keeps its place; “Make root” puts one above it at the origin</source>
        <translation>{} ist ein Gelenk und behält seinen Ort; „Wurzel anlegen“ setzt eines darüber in den Ursprung</translation>
    </message>
    <message>
        <source>{} is bound in two places by two skins; the first is followed</source>
        <translation>{} ist durch zwei Skins an zwei Orten gebunden; dem ersten wird gefolgt</translation>
    </message>
    <message>
        <source>{} is in the contract and not here</source>
        <translation>{} ist im Vertrag und nicht hier</translation>
    </message>
    <message>
        <source>{} is missing</source>
        <translation>{} fehlt</translation>
    </message>
    <message>
        <source>{} is not as long as the surface's.</source>
        <translation>{} ist nicht so lang wie das der Oberfläche.</translation>
    </message>
    <message>
        <source>{} is not in the contract</source>
        <translation>{} ist nicht im Vertrag</translation>
    </message>
    <message>
        <source>{} is sheared by {:.2g} % {}: an uneven scale above it; bake the joint scale before this step</source>
        <translation>{} ist um {:.2g} % geschert {}: eine ungleiche Skalierung darüber; backen Sie die Gelenkskalierung vor diesem Schritt</translation>
    </message>
    <message>
        <source>{} is the rest pose already</source>
        <translation>{} ist schon die Ruhepose</translation>
    </message>
    <message>
        <source>{} is the rest pose: {} joint{} stand{} otherwise{}</source>
        <translation>{0} ist die Ruhepose: anders stehen {1} Gelenke{4}</translation>
    </message>
    <message>
        <source>{} is turned {:.1f}° from what it should be</source>
        <translation>{} ist {:.1f}° anders gedreht, als es sollte</translation>
    </message>
    <message>
        <source>{} is {:.0f} mm away for that one frame, and back after it.</source>
        <translation>{} ist für dieses eine Bild {:.0f} mm entfernt und danach zurück.</translation>
    </message>
    <message>
        <source>{} is {:.0f} mm from where it began when it ends, and jumps back each time.</source>
        <translation>{} ist am Ende {:.0f} mm von seinem Anfang und springt jedes Mal zurück.</translation>
    </message>
    <message>
        <source>{} is {:.1f} mm from {} and should be {:.1f} mm</source>
        <translation>{} ist {:.1f} mm von {} und sollte {:.1f} mm sein</translation>
    </message>
    <message>
        <source>{} is {:.2g} off</source>
        <translation>{} ist {:.2g} daneben</translation>
    </message>
    <message>
        <source>{} is {:.3g} off 1</source>
        <translation>{} ist {:.3g} neben 1</translation>
    </message>
    <message>
        <source>{} is {:.4g} times as large</source>
        <translation>{} ist {:.4g}-mal so groß</translation>
    </message>
    <message>
        <source>{} is {}: {}.</source>
        <translation>{} ist {}: {}.</translation>
    </message>
    <message>
        <source>{} joint name{} {} does not take</source>
        <translation>Gelenknamen, die {2} nicht nimmt: {0}</translation>
    </message>
    <message>
        <source>{} joints lie</source>
        <translation>{} Gelenke liegen</translation>
    </message>
    <message>
        <source>{} joints stand</source>
        <translation>{} Gelenke stehen</translation>
    </message>
    <message>
        <source>{} joint{} gone ({})</source>
        <translation>Gelenke fort: {0} ({2})</translation>
    </message>
    <message>
        <source>{} joint{} no weights</source>
        <translation>Gelenke ohne Gewichte: {0}</translation>
    </message>
    <message>
        <source>{} joint{} renamed{}</source>
        <translation>Gelenke umbenannt: {0}{2}</translation>
    </message>
    <message>
        <source>{} joint{} rest{} in another place or turn ({}{})</source>
        <translation>Gelenke, die an anderem Ort oder anders gedreht ruhen: {0} ({3}{4})</translation>
    </message>
    <message>
        <source>{} joint{} scaled at rest</source>
        <translation>Gelenke, die in der Ruhe skaliert sind: {0}</translation>
    </message>
    <message>
        <source>{} joint{} turned, at most by {:.0f}°</source>
        <translation>Gelenke gedreht: {0}, höchstens um {2:.0f}°</translation>
    </message>
    <message>
        <source>{} joint{} {} a side and {} nothing on the other</source>
        <translation>Gelenke mit einer Seite und ohne Gegenstück: {0}</translation>
    </message>
    <message>
        <source>{} keep their prefix, for without it two would have one name</source>
        <translation>{} behalten ihren Vorsatz, denn ohne ihn hießen zwei gleich</translation>
    </message>
    <message>
        <source>{} keep what they had: no joint that they were painted with is there</source>
        <translation>{} behalten, was sie hatten: kein Gelenk, mit dem sie gemalt wurden, ist da</translation>
    </message>
    <message>
        <source>{} kinds of lines are not read: is it an OBJ?</source>
        <translation>{} Arten von Zeilen werden nicht gelesen: ist es eine OBJ?</translation>
    </message>
    <message>
        <source>{} left for right over {} pairs of joints{}</source>
        <translation>{} links für rechts über {} Paare von Gelenken{}</translation>
    </message>
    <message>
        <source>{} looked otherwise than the first of that name, whose looks hold now</source>
        <translation>{} sahen anders aus als der erste dieses Namens, dessen Aussehen jetzt gilt</translation>
    </message>
    <message>
        <source>{} looks as set</source>
        <translation>{} sehen aus, wie gesetzt</translation>
    </message>
    <message>
        <source>{} lose some, up to {:.3f}</source>
        <translation>{} verlieren welche, bis zu {:.3f}</translation>
    </message>
    <message>
        <source>{} loses {:.2f} % of its stretch or shear</source>
        <translation>{} verliert {:.2f} % seiner Streckung oder Scherung</translation>
    </message>
    <message>
        <source>{} made from the other side</source>
        <translation>{} von der anderen Seite gemacht</translation>
    </message>
    <message>
        <source>{} move nothing</source>
        <translation>{} bewegen nichts</translation>
    </message>
    <message>
        <source>{} moved otherwise</source>
        <translation>anders bewegt: {}</translation>
    </message>
    <message>
        <source>{} moves {} in “{}”, and nothing here does</source>
        <translation>{} bewegt {} in „{}“, und hier tut es nichts</translation>
    </message>
    <message>
        <source>{} moves {} in “{}”, here {} does</source>
        <translation>{} bewegt {} in „{}“, hier tut es {}</translation>
    </message>
    <message>
        <source>{} moves: its motion went into the joints, keyed at every frame</source>
        <translation>{} bewegt sich: seine Bewegung ging in die Gelenke, mit Schlüsseln an jedem Bild</translation>
    </message>
    <message>
        <source>{} not grown: no guide is reached from there along the surface</source>
        <translation>nicht gewachsen: {}; von dort ist entlang der Oberfläche keine Leitkurve zu erreichen</translation>
    </message>
    <message>
        <source>{} not grown: they would go into the surface at once</source>
        <translation>nicht gewachsen: {}; sie gingen sofort in die Oberfläche</translation>
    </message>
    <message>
        <source>{} numbers a vertex and not {}</source>
        <translation>{} Zahlen je Punkt und nicht {}</translation>
    </message>
    <message>
        <source>{} of groups inside objects: a group is no surface of its own where there are objects.</source>
        <translation>{} Gruppen in Objekten: wo es Objekte gibt, ist eine Gruppe keine eigene Oberfläche.</translation>
    </message>
    <message>
        <source>{} of its skin not there; what they held is held by the others.</source>
        <translation>{} seines Skins fehlen; was sie hielten, halten die anderen.</translation>
    </message>
    <message>
        <source>{} of its surface are more than are made nodes</source>
        <translation>{} seiner Oberfläche sind mehr, als zu Knoten gemacht werden</translation>
    </message>
    <message>
        <source>{} of its surfaces</source>
        <translation>{} seiner Oberflächen</translation>
    </message>
    <message>
        <source>{} of joints that this skeleton does not have</source>
        <translation>{} von Gelenken, die dieses Skelett nicht hat</translation>
    </message>
    <message>
        <source>{} of more than three corners became triangles.</source>
        <translation>mit mehr als drei Ecken, zu Dreiecken gemacht: {}.</translation>
    </message>
    <message>
        <source>{} of one point are in no card</source>
        <translation>{} aus einem Punkt sind auf keiner Karte</translation>
    </message>
    <message>
        <source>{} of strips or fans became plain triangles</source>
        <translation>{} Streifen oder Fächer wurden einfache Dreiecke</translation>
    </message>
    <message>
        <source>{} of the {} renamed{}</source>
        <translation>{} von den {} umbenannt{}</translation>
    </message>
    <message>
        <source>{} of them have nothing within {:g} mm of their place on the other side</source>
        <translation>{} davon haben auf der anderen Seite innerhalb von {:g} mm ihres Ortes nichts</translation>
    </message>
    <message>
        <source>{} of weight on “{}”</source>
        <translation>{} Gewicht auf „{}“</translation>
    </message>
    <message>
        <source>{} of {:.3g} m; it stands {:.3g} m tall</source>
        <translation>{} von {:.3g} m; es ist {:.3g} m groß</translation>
    </message>
    <message>
        <source>{} of {:.4g} l together{}, standing out {:.3g} mm at most</source>
        <translation>{} von zusammen {:.4g} l{}, höchstens {:.3g} mm herausragend</translation>
    </message>
    <message>
        <source>{} of {} are not placed, and there is no surface to place them in.</source>
        <translation>{} von {} sind nicht gesetzt, und es gibt keine Oberfläche, um sie zu setzen.</translation>
    </message>
    <message>
        <source>{} of {} as shapes</source>
        <translation>{} von {} als Formen</translation>
    </message>
    <message>
        <source>{} of {} bound to {}; the farthest from its bone is {}, by {:.0f} mm{}</source>
        <translation>{} von {} an {} gebunden; am weitesten von seinem Knochen ist {}, um {:.0f} mm{}</translation>
    </message>
    <message>
        <source>{} of {} by hand {} “{}”{}{}</source>
        <translation>{} von {} von Hand {} „{}“{}{}</translation>
    </message>
    <message>
        <source>{} of {} for {}, which lie {:.2f} mm beside them in the mean, {:.1f} mm at most</source>
        <translation>{} aus {} für {}, die im Mittel {:.2f} mm daneben liegen, höchstens {:.1f} mm</translation>
    </message>
    <message>
        <source>{} of {} have no area</source>
        <translation>{} von {} ohne Fläche</translation>
    </message>
    <message>
        <source>{} of {} in the slot of {} now</source>
        <translation>{} von {} jetzt im Slot von {}</translation>
    </message>
    <message>
        <source>{} of {} into the data</source>
        <translation>{} von {} in die Daten</translation>
    </message>
    <message>
        <source>{} of {} items done, {} at work, {} failed · {} files arrived, {} held{}</source>
        <translation>{} von {} Posten fertig, {} in Arbeit, {} misslungen · {} Dateien angekommen, {} angehalten{}</translation>
    </message>
    <message>
        <source>{} of {} moved, at most {:.3g} mm</source>
        <translation>{} von {} bewegt, höchstens {:.3g} mm</translation>
    </message>
    <message>
        <source>{} of {} need an image of {} rows; engines take {}.</source>
        <translation>{} von {} brauchen ein Bild mit {} Zeilen; Engines nehmen {}.</translation>
    </message>
    <message>
        <source>{} of {} of “{}”: {} renamed, {} under another joint</source>
        <translation>{} von {} von „{}“: {} umbenannt, {} unter anderem Gelenk</translation>
    </message>
    <message>
        <source>{} of {} stand still while it moves: they have no weights.</source>
        <translation>{} von {} stehen still, während es sich bewegt: sie haben keine Gewichte.</translation>
    </message>
    <message>
        <source>{} of {} that were painted could not be found again</source>
        <translation>{} von {} gemalten waren nicht wiederzufinden</translation>
    </message>
    <message>
        <source>{} of {} triangles turn against their normals: an engine that leaves out what it sees from behind shows holes there.</source>
        <translation>{} von {} Dreiecken drehen gegen ihre Normalen: eine Engine, die weglässt, was sie von hinten sieht, zeigt dort Löcher.</translation>
    </message>
    <message>
        <source>{} of {} weighted by hand in {}, {}</source>
        <translation>{} von {} von Hand gewichtet, in {}, {}</translation>
    </message>
    <message>
        <source>{} of {} without an answer here: {}</source>
        <translation>{} von {} ohne Entsprechung hier: {}</translation>
    </message>
    <message>
        <source>{} of {}, {:.0f} to {:.0f} mm long, {:.2g} to {:.2g} mm wide{}</source>
        <translation>{} aus {}, {:.0f} bis {:.0f} mm lang, {:.2g} bis {:.2g} mm breit{}</translation>
    </message>
    <message>
        <source>{} of “{}” are not reached that way and go with the nearest bone (the first is vertex {})</source>
        <translation>{} von „{}“ werden so nicht erreicht und gehen mit dem nächsten Knochen (der erste ist Punkt {})</translation>
    </message>
    <message>
        <source>{} of “{}” beginning more than {:g} mm from the surface</source>
        <translation>{} von „{}“ beginnen mehr als {:g} mm von der Oberfläche</translation>
    </message>
    <message>
        <source>{} of “{}” have their normals on the other side</source>
        <translation>{} von „{}“ haben ihre Normalen auf der anderen Seite</translation>
    </message>
    <message>
        <source>{} of “{}” move the surface under “{}”, which does not follow</source>
        <translation>{} von „{}“ bewegen die Oberfläche unter „{}“, das nicht folgt</translation>
    </message>
    <message>
        <source>{} of “{}” without weights</source>
        <translation>{} von „{}“ ohne Gewichte</translation>
    </message>
    <message>
        <source>{} of “{}” {} through the body</source>
        <translation>{} von „{}“ {} durch den Körper</translation>
    </message>
    <message>
        <source>{} of “{}”, {:.1f} cm²</source>
        <translation>{} von „{}“, {:.1f} cm²</translation>
    </message>
    <message>
        <source>{} on another place</source>
        <translation>{} an anderem Ort</translation>
    </message>
    <message>
        <source>{} on no triangle</source>
        <translation>auf keinem Dreieck: {}</translation>
    </message>
    <message>
        <source>{} on the left differ from what answers them by more than 0.05, at most {:.2f} (vertex {}).</source>
        <translation>{} links weichen um mehr als 0,05 von ihrem Gegenüber ab, höchstens {:.2f} (Punkt {}).</translation>
    </message>
    <message>
        <source>{} on {}</source>
        <translation>{} auf: {}</translation>
    </message>
    <message>
        <source>{} on {}: it costs memory, and its slider is dead.</source>
        <translation>{} auf {}: sie kostet Speicher, und ihr Regler ist tot.</translation>
    </message>
    <message>
        <source>{} on “{}”, {:.2f} mm from it in the mean, {:.2f} mm at most</source>
        <translation>{} auf „{}“, {:.2f} mm davon im Mittel, höchstens {:.2f} mm</translation>
    </message>
    <message>
        <source>{} outside of the surface: {}</source>
        <translation>{} außerhalb der Oberfläche: {}</translation>
    </message>
    <message>
        <source>{} put in where its curves bend between their own, or turn by several angles at a time.</source>
        <translation>{} eingesetzt, wo sich seine Kurven dazwischen biegen oder um mehrere Winkel zugleich drehen.</translation>
    </message>
    <message>
        <source>{} reads {}; what is over is cut at delivery, or here where the loss is seen.</source>
        <translation>{} liest {}; was darüber ist, wird beim Ausliefern abgeschnitten, oder hier, wo der Verlust zu sehen ist.</translation>
    </message>
    <message>
        <source>{} refers to itself.</source>
        <translation>{} verweist auf sich selbst.</translation>
    </message>
    <message>
        <source>{} refers to {}, which is not in “{}”.</source>
        <translation>{} verweist auf {}, das nicht in „{}“ ist.</translation>
    </message>
    <message>
        <source>{} said to be holes left out.</source>
        <translation>als Löcher bezeichnet und weggelassen: {}.</translation>
    </message>
    <message>
        <source>{} scales unevenly: below it joints keep their places, but turned joints cannot stretch a surface the same way</source>
        <translation>{} skaliert ungleich: Gelenke darunter behalten ihren Ort, doch gedrehte Gelenke können eine Oberfläche nicht ebenso strecken</translation>
    </message>
    <message>
        <source>{} scenes and not {}</source>
        <translation>{} Szenen und nicht {}</translation>
    </message>
    <message>
        <source>{} slides {:.0f} mm while it stands in “{}”</source>
        <translation>{} rutscht {:.0f} mm, während es in „{2}“ steht</translation>
    </message>
    <message>
        <source>{} smoothed, a weight by {:.2f} at most</source>
        <translation>{} geglättet, ein Gewicht um höchstens {:.2f}</translation>
    </message>
    <message>
        <source>{} stands above the joints</source>
        <translation>{} steht über den Gelenken</translation>
    </message>
    <message>
        <source>{} stands after {} and should stand before</source>
        <translation>{} steht nach {} und sollte davor stehen</translation>
    </message>
    <message>
        <source>{} stands {:.0f} mm and {:.0f}° from its bind pose; engines that rebuild one from the other bend the surface.</source>
        <translation>{} steht {:.0f} mm und {:.0f}° neben seiner Bindepose; Engines, die die eine aus der anderen bilden, verbiegen die Oberfläche.</translation>
    </message>
    <message>
        <source>{} stay apart: what stands at their place has other {}</source>
        <translation>{} bleiben getrennt: was an ihrem Ort steht, hat andere {}</translation>
    </message>
    <message>
        <source>{} stay as they are for their locked joints</source>
        <translation>{} bleiben wegen ihrer gesperrten Gelenke, wie sie sind</translation>
    </message>
    <message>
        <source>{} stay as they are: nothing else holds them that is not locked</source>
        <translation>{} bleiben, wie sie sind: nichts anderes, das nicht gesperrt ist, hält sie</translation>
    </message>
    <message>
        <source>{} stay as they are: their locked weights leave no way to a sum of 1</source>
        <translation>{} bleiben, wie sie sind: ihre gesperrten Gewichte lassen keine Summe 1 zu</translation>
    </message>
    <message>
        <source>{} stay behind</source>
        <translation>zurückgeblieben: {}</translation>
    </message>
    <message>
        <source>{} stay unheld: no edge leads from them to anything that is</source>
        <translation>{} bleiben ungehalten: keine Kante führt von ihnen zu etwas, das gehalten ist</translation>
    </message>
    <message>
        <source>{} stay where they are</source>
        <translation>{} bleiben, wo sie sind</translation>
    </message>
    <message>
        <source>{} stay where they are: no joint that is free may take them</source>
        <translation>{} bleiben, wo sie sind: kein freies Gelenk darf sie nehmen</translation>
    </message>
    <message>
        <source>{} stayed behind: {}</source>
        <translation>zurückgeblieben: {0}</translation>
    </message>
    <message>
        <source>{} stays between the root and the joints; put “Bake parent transforms” before this step</source>
        <translation>{} bleibt zwischen der Wurzel und den Gelenken; setzen Sie „Transformationen darüber backen“ vor diesen Schritt</translation>
    </message>
    <message>
        <source>{} stood under an uneven scale that turns: it keeps its place but not its stretch</source>
        <translation>{} stand unter einer ungleichen Skalierung, die dreht: es behält seinen Ort, doch nicht seine Streckung</translation>
    </message>
    <message>
        <source>{} strays</source>
        <translation>verstreut: {}</translation>
    </message>
    <message>
        <source>{} takes from other prims too deep, or from itself.</source>
        <translation>{} nimmt zu tief von anderen Prims, oder von sich selbst.</translation>
    </message>
    <message>
        <source>{} takes them in {:.1f} mm from the surface: see how it reads files</source>
        <translation>{} liest sie {:.1f} mm von der Oberfläche ein: siehe, wie es Dateien liest</translation>
    </message>
    <message>
        <source>{} that nothing uses: left out.</source>
        <translation>von nichts benutzt, weggelassen: {}.</translation>
    </message>
    <message>
        <source>{} turns {:.1f}°</source>
        <translation>{} dreht sich {:.1f}°</translation>
    </message>
    <message>
        <source>{} under {}</source>
        <translation>{} unter {}</translation>
    </message>
    <message>
        <source>{} up to {:.3g} mm ({}) and {:.1f}° apart. {}</source>
        <translation>{} bis zu {:.3g} mm ({}) und {:.1f}° auseinander. {}</translation>
    </message>
    <message>
        <source>{} up · 1 u = {} · {}</source>
        <translation>{} oben · 1 u = {} · {}</translation>
    </message>
    <message>
        <source>{} up, front {}, {}-handed, {}</source>
        <translation>{} oben, vorn {}, {}, {}</translation>
    </message>
    <message>
        <source>{} was never delivered.</source>
        <translation>{} wurde nie ausgeliefert.</translation>
    </message>
    <message>
        <source>{} weighted like those on the {}</source>
        <translation>{} gewichtet wie die {}</translation>
    </message>
    <message>
        <source>{} weighted like “{}”, from {:.2g} mm away at most</source>
        <translation>{} gewichtet wie „{}“, aus höchstens {:.2g} mm Entfernung</translation>
    </message>
    <message>
        <source>{} with a weight: it means something for curves only, and is left out.</source>
        <translation>mit einem Gewicht: {}; es gilt nur für Kurven und ist weggelassen.</translation>
    </message>
    <message>
        <source>{} with holes in them; the holes are filled.</source>
        <translation>mit Löchern, die gefüllt sind: {}.</translation>
    </message>
    <message>
        <source>{} with normals of the surface itself, turned by {:.1f}° at most{}</source>
        <translation>{} mit Normalen der Oberfläche selbst, höchstens um {:.1f}° gedreht{}</translation>
    </message>
    <message>
        <source>{} with tangents{}</source>
        <translation>{} mit Tangenten{}</translation>
    </message>
    <message>
        <source>{} with too few corners: left out.</source>
        <translation>mit zu wenigen Ecken, weggelassen: {}.</translation>
    </message>
    <message>
        <source>{} within {:.1e}</source>
        <translation>{} innerhalb von {:.1e}</translation>
    </message>
    <message>
        <source>{} without a material; the slots stay</source>
        <translation>{} ohne ein Material; die Slots bleiben</translation>
    </message>
    <message>
        <source>{} without a place put at its origin.</source>
        <translation>ohne Ort, in seinen Ursprung gelegt: {}.</translation>
    </message>
    <message>
        <source>{} without normals or texture coordinates {}: no tangents there</source>
        <translation>{} ohne Normalen oder Texturkoordinaten {}: dort keine Tangenten</translation>
    </message>
    <message>
        <source>{} without texture coordinates: no image lies on them</source>
        <translation>{} ohne Texturkoordinaten: kein Bild liegt darauf</translation>
    </message>
    <message>
        <source>{} without weights: nothing to normalise there</source>
        <translation>{} ohne Gewichte: dort ist nichts zu normieren</translation>
    </message>
    <message>
        <source>{} would be called “{}”</source>
        <translation>{} hieße „{}“</translation>
    </message>
    <message>
        <source>{} would see it look along {}. Set “front in the file”, or how the engine reads files</source>
        <translation>{} sähe es entlang {} schauen. Setzen Sie „Vorn in der Datei“, oder wie die Engine Dateien liest</translation>
    </message>
    <message>
        <source>{} would see its left on its right: the engine's handedness is another one</source>
        <translation>{} sähe seine linke Seite rechts: die Engine hat die andere Händigkeit</translation>
    </message>
    <message>
        <source>{} wound the other way</source>
        <translation>{} andersherum umlaufend</translation>
    </message>
    <message>
        <source>{} {:.2f} mm (vertex {})</source>
        <translation>{} {:.2f} mm (Punkt {})</translation>
    </message>
    <message>
        <source>{} {:.3g} mm tall</source>
        <translation>{} {:.3g} mm groß</translation>
    </message>
    <message>
        <source>{} {:.4g} m tall</source>
        <translation>{} {:.4g} m groß</translation>
    </message>
    <message>
        <source>{} {} does not take</source>
        <translation>{1} nimmt nicht: {0}</translation>
    </message>
    <message>
        <source>{} {} its stretch or shear: {}{}</source>
        <translation>Streckung oder Scherung verliert {0}: {2}{3}</translation>
    </message>
    <message>
        <source>{} {}{} less ({})</source>
        <translation>weniger: {0} ({3})</translation>
    </message>
    <message>
        <source>{} {}{} more ({})</source>
        <translation>mehr: {0} ({3})</translation>
    </message>
    <message>
        <source>{} × {:g}: {:.3g} mm became {:.3g} mm at full weight</source>
        <translation>{} × {:g}: aus {:.3g} mm wurden {:.3g} mm bei vollem Gewicht</translation>
    </message>
    <message>
        <source>{} × {} became {} × {}</source>
        <translation>aus {} × {} wurde {} × {}</translation>
    </message>
    <message>
        <source>{}, at most {} characters</source>
        <translation>{}, höchstens {} Zeichen</translation>
    </message>
    <message>
        <source>{}, limit {}</source>
        <translation>{}, Grenze {}</translation>
    </message>
    <message>
        <source>{}, line {}</source>
        <translation>{}, Zeile {}</translation>
    </message>
    <message>
        <source>{}, of the unknown type {}</source>
        <translation>{}, von der unbekannten Art {}</translation>
    </message>
    <message>
        <source>{}, primitive {}</source>
        <translation>{}, Teil {}</translation>
    </message>
    <message>
        <source>{}, the same</source>
        <translation>{}, gleich</translation>
    </message>
    <message>
        <source>{}, where one is expected</source>
        <translation>{}, wo eine erwartet wird</translation>
    </message>
    <message>
        <source>{}, where one is expected; “Make root” gives it one</source>
        <translation>{}, wo eine erwartet wird; „Wurzel anlegen“ gibt ihm eine</translation>
    </message>
    <message>
        <source>{}, {:.3f} mm</source>
        <translation>{}, {:.3f} mm</translation>
    </message>
    <message>
        <source>{}, {:g} mm at the root and {:g} mm at the tip</source>
        <translation>{}, {:g} mm an der Wurzel und {:g} mm an der Spitze</translation>
    </message>
    <message>
        <source>{}, {} keyed properties, and none of them changes.</source>
        <translation>{}, Eigenschaften mit Schlüsseln: {}, und keine davon ändert sich.</translation>
    </message>
    <message>
        <source>{}, {} px at most, {}</source>
        <translation>{}, höchstens {} px, {}</translation>
    </message>
    <message>
        <source>{}: "{}" is kept only from the first source.</source>
        <translation>{}: „{}“ bleibt nur aus der ersten Quelle.</translation>
    </message>
    <message>
        <source>{}: an engine keeps one tree.</source>
        <translation>{}: eine Engine behält einen Baum.</translation>
    </message>
    <message>
        <source>{}: every reader makes up its own, flat or smooth.</source>
        <translation>{}: jeder Leser denkt sich eigene aus, flach oder weich.</translation>
    </message>
    <message>
        <source>{}: helpers of whoever made it. An engine works on them in every frame.</source>
        <translation>{}: Helfer dessen, der es gemacht hat. Eine Engine rechnet an ihnen in jedem Bild.</translation>
    </message>
    <message>
        <source>{}: it has {} files; one is handed over at a time</source>
        <translation>{}: es hat {} Dateien; übergeben wird eine auf einmal</translation>
    </message>
    <message>
        <source>{}: mirrored motion has no joint to go to.</source>
        <translation>{}: gespiegelte Bewegung hat kein Gelenk, wohin sie gehen könnte.</translation>
    </message>
    <message>
        <source>{}: names of {} there fit the pattern {}</source>
        <translation>{}: Namen von {} entsprechen dort dem Muster {}</translation>
    </message>
    <message>
        <source>{}: names there fit the pattern {} and have at most {} characters</source>
        <translation>{}: Namen entsprechen dort dem Muster {} und haben höchstens {} Zeichen</translation>
    </message>
    <message>
        <source>{}: no joint answers one of these</source>
        <translation>{}: kein Gelenk entspricht einem von diesen</translation>
    </message>
    <message>
        <source>{}: of the variants of “{}” {} is taken.</source>
        <translation>{}: von den Varianten von „{}“ wird {} genommen.</translation>
    </message>
    <message>
        <source>{}: {:.3f} s → {:.3f} s</source>
        <translation>{}: {:.3f} s → {:.3f} s</translation>
    </message>
    <message>
        <source>{}: {} is not read.</source>
        <translation>{}: {} wird nicht gelesen.</translation>
    </message>
    <message>
        <source>{}: {} onto {}, path × {:.3f}</source>
        <translation>{}: {} auf {}, Weg × {:.3f}</translation>
    </message>
    <message>
        <source>{}: {} → {} ({:.0f} % saved), no point farther than {:.3f} mm of {:g}</source>
        <translation>{}: {} → {} ({:.0f} % gespart), kein Punkt weiter als {:.3f} mm von {:g}</translation>
    </message>
    <message>
        <source>{}: {}{}, a key on each</source>
        <translation>{}: {}{}, ein Schlüssel auf jedem</translation>
    </message>
    <message>
        <source>{}: × {:g} makes it {:.3g} m.</source>
        <translation>{}: × {:g} macht {:.3g} m daraus.</translation>
    </message>
    <message>
        <source>{}: “{}” is not among the clips any more</source>
        <translation>{}: „{}“ ist nicht mehr unter den Clips</translation>
    </message>
    <message>
        <source>{}; and {} more</source>
        <translation>{}; und {} weitere</translation>
    </message>
    <message>
        <source>{}; it stands {:.3g} m tall</source>
        <translation>{}; es ist {:.3g} m groß</translation>
    </message>
    <message>
        <source>{}size × {:.4g}</source>
        <translation>{}Größe × {:.4g}</translation>
    </message>
    <message>
        <source>{}{} altered</source>
        <translation>{0}{1} geändert</translation>
    </message>
    <message>
        <source>{}{} became {}</source>
        <translation>aus {}{} wurde {}</translation>
    </message>
    <message>
        <source>{}{} from reading</source>
        <translation>{}{} beim Lesen</translation>
    </message>
    <message>
        <source>{}{}, {:.0f} to {:.0f} mm long, at most {:.1f} mm moved onto the surface</source>
        <translation>{}{}, {:.0f} bis {:.0f} mm lang, höchstens {:.1f} mm auf die Oberfläche gerückt</translation>
    </message>
    <message>
        <source>{}{}. It was not asked to move anything.</source>
        <translation>{}{}. Er sollte nichts bewegen.</translation>
    </message>
    <message>
        <source>{}{}: {:.2f} m, {:.0f}°, {:.2f} m/s</source>
        <translation>{}{}: {:.2f} m, {:.0f}°, {:.2f} m/s</translation>
    </message>
    <message>
        <source>°</source>
        <translation>°</translation>
    </message>
    <message>
        <source>×</source>
        <translation>×</translation>
    </message>
    <message>
        <source>× {:.6g}: {:.3g} m became {:.3g} m tall</source>
        <translation>× {:.6g}: aus {:.3g} m wurden {:.3g} m</translation>
    </message>
    <message>
        <source>“%1” at %2: %3 vertices, read back one by one</source>
        <translation>„%1“ bei %2: %3 Punkte, einzeln zurückgelesen</translation>
    </message>
    <message>
        <source>“%1” closes: its last pose is %2 mm and %3° from its first.</source>
        <translation>„%1“ schließt sich: seine letzte Pose ist %2 mm und %3° von seiner ersten.</translation>
    </message>
    <message>
        <source>“%1” does not say its side.</source>
        <translation>„%1“ sagt seine Seite nicht.</translation>
    </message>
    <message>
        <source>“%1” has changes that are not saved.</source>
        <translation>„%1“ hat ungespeicherte Änderungen.</translation>
    </message>
    <message>
        <source>“%1” holds what was made by hand on this job's surfaces; it cannot be kept for others.</source>
        <translation>„%1“ enthält, was von Hand auf den Oberflächen dieses Auftrags gemacht wurde; es lässt sich nicht für andere aufheben.</translation>
    </message>
    <message>
        <source>“%1” is none of repeat, once, goes, stays</source>
        <translation>„%1“ ist keines von repeat, once, goes, stays</translation>
    </message>
    <message>
        <source>“%1” is not a number</source>
        <translation>„%1“ ist keine Zahl</translation>
    </message>
    <message>
        <source>“%1” is not a number.</source>
        <translation>„%1“ ist keine Zahl.</translation>
    </message>
    <message>
        <source>“%1” is not handed over</source>
        <translation>„%1“ wird nicht übergeben</translation>
    </message>
    <message>
        <source>“%1” is not of the form chain, copy, point, side, x y z</source>
        <translation>„%1“ hat nicht die Form: Kette, Kopie, Punkt, Seite, x y z</translation>
    </message>
    <message>
        <source>“%1” is not of the form find → replace</source>
        <translation>„%1“ hat nicht die Form: suchen → ersetzen</translation>
    </message>
    <message>
        <source>“%1” is not of the form move x y z, rotate x y z or grow x y z</source>
        <translation>„%1“ hat nicht die Form move x y z, rotate x y z oder grow x y z</translation>
    </message>
    <message>
        <source>“%1” is not of the form name, start, end, repeat, colour</source>
        <translation>„%1“ hat nicht die Form: Name, Anfang, Ende, Wiederholung, Farbe</translation>
    </message>
    <message>
        <source>“%1” is not of the form old → new</source>
        <translation>„%1“ hat nicht die Form: alt → neu</translation>
    </message>
    <message>
        <source>“%1” is not of the form sides: left token, right token, end</source>
        <translation>„%1“ hat nicht die Form: Seiten: linkes Zeichen, rechtes Zeichen, Ende</translation>
    </message>
    <message>
        <source>“%1” is taken already; the name stays.</source>
        <translation>„%1“ ist schon vergeben; der Name bleibt.</translation>
    </message>
    <message>
        <source>“%1” plays once: no seam to close.</source>
        <translation>„%1“ spielt einmal: keine Naht zu schließen.</translation>
    </message>
    <message>
        <source>“%1”, %2</source>
        <translation>„%1“, %2</translation>
    </message>
    <message>
        <source>“Help, A first delivery” goes on here</source>
        <translation>„Hilfe, Eine erste Lieferung“ macht hier weiter</translation>
    </message>
    <message>
        <source>“poses” is neither true nor false.</source>
        <translation>„poses“ ist weder true noch false.</translation>
    </message>
    <message>
        <source>“{}” at the place of {}</source>
        <translation>„{}“ am Ort von {}</translation>
    </message>
    <message>
        <source>“{}” begins at what was frame {}</source>
        <translation>„{}“ beginnt bei dem, was Bild {} war</translation>
    </message>
    <message>
        <source>“{}” begins there already</source>
        <translation>„{}“ beginnt schon dort</translation>
    </message>
    <message>
        <source>“{}” begins to move only after {:.2f} s</source>
        <translation>„{}“ beginnt sich erst nach {:.2f} s zu bewegen</translation>
    </message>
    <message>
        <source>“{}” between {} and {}, {:.0f} mm from it</source>
        <translation>„{}“ zwischen {} und {}, {:.0f} mm davon</translation>
    </message>
    <message>
        <source>“{}” cannot begin at frame {}; it has {} (0 to {}).</source>
        <translation>„{}“ kann nicht bei Bild {} beginnen; er hat {} (0 bis {}).</translation>
    </message>
    <message>
        <source>“{}” changes speed at once at frame {}</source>
        <translation>„{}“ ändert bei Bild {} auf einmal die Geschwindigkeit</translation>
    </message>
    <message>
        <source>“{}” could not be read</source>
        <translation>„{}“ ließ sich nicht lesen</translation>
    </message>
    <message>
        <source>“{}” does not close</source>
        <translation>„{}“ schließt sich nicht</translation>
    </message>
    <message>
        <source>“{}” does not keep its place on “{}”: “{}” moves in a clip.</source>
        <translation>„{}“ behält seinen Ort auf „{}“ nicht: „{}“ bewegt sich in einem Clip.</translation>
    </message>
    <message>
        <source>“{}” does not reach {} of “{}”</source>
        <translation>„{}“ erreicht nicht: {} von „{}“</translation>
    </message>
    <message>
        <source>“{}” ends at frame {} instead of {}</source>
        <translation>„{}“ endet bei Bild {} statt {}</translation>
    </message>
    <message>
        <source>“{}” ends between two frames</source>
        <translation>„{}“ endet zwischen zwei Bildern</translation>
    </message>
    <message>
        <source>“{}” from {}: up to {:.3g} mm on {}</source>
        <translation>„{}“ aus {}: bis zu {:.3g} mm auf {}</translation>
    </message>
    <message>
        <source>“{}” goes around from frame {}</source>
        <translation>„{}“ läuft von Bild {} an herum</translation>
    </message>
    <message>
        <source>“{}” goes out all the same: {}</source>
        <translation>„{}“ geht dennoch hinaus: {}</translation>
    </message>
    <message>
        <source>“{}” hangs on a joint, where USD holds surfaces only.</source>
        <translation>„{}“ hängt an einem Gelenk, wo USD nur Oberflächen hält.</translation>
    </message>
    <message>
        <source>“{}” hangs on no joint, and “{}” is moved by joints.</source>
        <translation>„{}“ hängt an keinem Gelenk, und „{}“ wird von Gelenken bewegt.</translation>
    </message>
    <message>
        <source>“{}” has a normal map and no tangents</source>
        <translation>„{}“ hat eine Normalentextur und keine Tangenten</translation>
    </message>
    <message>
        <source>“{}” has faces as well, and keeps its lines beside them</source>
        <translation>„{}“ hat auch Flächen und behält seine Linien daneben</translation>
    </message>
    <message>
        <source>“{}” has its first pose once more, as frame {}</source>
        <translation>„{}“ hat seine erste Pose noch einmal, als Bild {}</translation>
    </message>
    <message>
        <source>“{}” has keys at other weights: clips that move it look otherwise</source>
        <translation>„{}“ hat Schlüssel bei anderen Gewichten: Clips, die es bewegen, sehen anders aus</translation>
    </message>
    <message>
        <source>“{}” has no frame {}.</source>
        <translation>„{}“ hat kein Bild {}.</translation>
    </message>
    <message>
        <source>“{}” has no frame {}; it has {} (0 to {}).</source>
        <translation>„{}“ hat kein Bild {}; er hat {} (0 bis {}).</translation>
    </message>
    <message>
        <source>“{}” has no points yet.</source>
        <translation>„{}“ hat noch keine Punkte.</translation>
    </message>
    <message>
        <source>“{}” has no size where it stands</source>
        <translation>„{}“ hat, wo es steht, keine Größe</translation>
    </message>
    <message>
        <source>“{}” has no surface “{}”.</source>
        <translation>„{}“ hat keine Oberfläche „{}“.</translation>
    </message>
    <message>
        <source>“{}” has no {}</source>
        <translation>„{}“ hat kein {}</translation>
    </message>
    <message>
        <source>“{}” has not one surface that could be meant.</source>
        <translation>„{}“ hat keine einzelne Oberfläche, die gemeint sein könnte.</translation>
    </message>
    <message>
        <source>“{}” has two curves of {}.</source>
        <translation>„{}“ hat zwei Kurven von {}.</translation>
    </message>
    <message>
        <source>“{}” has two prims called “{}”</source>
        <translation>„{}“ hat zwei Prims namens „{}“</translation>
    </message>
    <message>
        <source>“{}” has vertices where locked joints alone are more than {}</source>
        <translation>„{}“ hat Punkte, wo allein gesperrte Gelenke mehr als {} sind</translation>
    </message>
    <message>
        <source>“{}” has {} before its first frame</source>
        <translation>„{}“ hat vor seinem ersten Bild: {}</translation>
    </message>
    <message>
        <source>“{}” has {} frames.</source>
        <translation>„{}“ hat {} Bilder.</translation>
    </message>
    <message>
        <source>“{}” has {} of another length than 1</source>
        <translation>„{}“: von anderer Länge als 1: {}</translation>
    </message>
    <message>
        <source>“{}” has {}, it had {}</source>
        <translation>„{}“ hat {}, es waren {}</translation>
    </message>
    <message>
        <source>“{}” has {}: nothing of it can repeat.</source>
        <translation>„{}“ hat {}: nichts davon kann sich wiederholen.</translation>
    </message>
    <message>
        <source>“{}” has {}: {} cannot be blended.</source>
        <translation>„{}“ hat {}: überblenden lassen sich nicht {}.</translation>
    </message>
    <message>
        <source>“{}” has {}: {} cannot overlap.</source>
        <translation>„{}“ hat {}: überlappen können sich nicht {}.</translation>
    </message>
    <message>
        <source>“{}” holds “{}”, which is no joint.</source>
        <translation>„{}“ hält „{}“, das kein Gelenk ist.</translation>
    </message>
    <message>
        <source>“{}” in {} is not read.</source>
        <translation>„{}“ in {} wird nicht gelesen.</translation>
    </message>
    <message>
        <source>“{}” into {}: {}</source>
        <translation>„{}“ in {}: {}</translation>
    </message>
    <message>
        <source>“{}” is a joint itself and cannot go under a skin</source>
        <translation>„{}“ ist selbst ein Gelenk und kann nicht unter einen Skin</translation>
    </message>
    <message>
        <source>“{}” is an attribute and a relationship</source>
        <translation>„{}“ ist ein Attribut und eine Beziehung</translation>
    </message>
    <message>
        <source>“{}” is bound in another pose than “{}”.</source>
        <translation>„{}“ ist in einer anderen Pose gebunden als „{}“.</translation>
    </message>
    <message>
        <source>“{}” is cached over “{}”, which is not there</source>
        <translation>„{}“ wird über „{}“ festgehalten, das nicht da ist</translation>
    </message>
    <message>
        <source>“{}” is cut or changed already.</source>
        <translation>„{}“ ist schon geschnitten oder geändert.</translation>
    </message>
    <message>
        <source>“{}” is frames {} to {} of “{}”</source>
        <translation>„{}“ ist Bild {} bis {} von „{}“</translation>
    </message>
    <message>
        <source>“{}” is in two pairs.</source>
        <translation>„{}“ ist in zwei Paaren.</translation>
    </message>
    <message>
        <source>“{}” is inside out</source>
        <translation>„{}“ ist nach innen gekehrt</translation>
    </message>
    <message>
        <source>“{}” is left: files name each other too deep.</source>
        <translation>„{}“ ist weggelassen: Dateien nennen einander zu tief.</translation>
    </message>
    <message>
        <source>“{}” is no name for a motion</source>
        <translation>„{}“ ist kein Name für eine Bewegung</translation>
    </message>
    <message>
        <source>“{}” is one frame long and stays so</source>
        <translation>„{}“ ist ein Bild lang und bleibt es</translation>
    </message>
    <message>
        <source>“{}” is the one root already</source>
        <translation>„{}“ ist schon die eine Wurzel</translation>
    </message>
    <message>
        <source>“{}” is the only surface that is meant.</source>
        <translation>„{}“ ist die einzige Oberfläche, die gemeint ist.</translation>
    </message>
    <message>
        <source>“{}” is the same motion as “{}”</source>
        <translation>„{}“ ist dieselbe Bewegung wie „{}“</translation>
    </message>
    <message>
        <source>“{}” is there already and is no folder of its own</source>
        <translation>„{}“ liegt schon da und ist kein eigener Ordner</translation>
    </message>
    <message>
        <source>“{}” is there already and was not written by Wembrix</source>
        <translation>„{}“ liegt schon da und wurde nicht von Wembrix geschrieben</translation>
    </message>
    <message>
        <source>“{}” is there already, delivered by the job “{}”: name the files apart, or take that one away</source>
        <translation>„{}“ liegt schon da, ausgeliefert vom Auftrag „{}“: benennen Sie die Dateien verschieden, oder nehmen Sie jene weg</translation>
    </message>
    <message>
        <source>“{}” is under joints of two skeletons, which USD cannot hold.</source>
        <translation>„{}“ ist unter Gelenken zweier Skelette, was USD nicht fassen kann.</translation>
    </message>
    <message>
        <source>“{}” is {} across, {}</source>
        <translation>„{}“ misst {}, {}</translation>
    </message>
    <message>
        <source>“{}” is “{}” in another form, vertex for vertex</source>
        <translation>„{}“ ist „{}“ in anderer Form, Punkt für Punkt</translation>
    </message>
    <message>
        <source>“{}” jumps at frame {}</source>
        <translation>„{}“ springt bei Bild {}</translation>
    </message>
    <message>
        <source>“{}” lasts {:.4f} s now, which is no whole number of frames at {:g}</source>
        <translation>„{}“ dauert jetzt {:.4f} s, keine ganze Zahl von Bildern bei {:g}</translation>
    </message>
    <message>
        <source>“{}” lasts {:.4f} s, which is no whole number of frames at {:g}</source>
        <translation>„{}“ dauert {:.4f} s, keine ganze Zahl von Bildern bei {:g}</translation>
    </message>
    <message>
        <source>“{}” lasts {:.4f} s, which is no whole number of frames at {:g} per second: it ends {:.1f} ms sooner</source>
        <translation>„{}“ dauert {:.4f} s, keine ganze Zahl von Bildern bei {:g} in der Sekunde: er endet {:.1f} ms früher</translation>
    </message>
    <message>
        <source>“{}” lies {:.3g} m from its own origin</source>
        <translation>„{}“ liegt {:.3g} m vom eigenen Ursprung</translation>
    </message>
    <message>
        <source>“{}” moves a vertex {:.1f} mm</source>
        <translation>„{}“ bewegt einen Punkt {:.1f} mm</translation>
    </message>
    <message>
        <source>“{}” moves otherwise</source>
        <translation>„{}“ bewegt sich anders</translation>
    </message>
    <message>
        <source>“{}” names itself.</source>
        <translation>„{}“ nennt sich selbst.</translation>
    </message>
    <message>
        <source>“{}” of {}</source>
        <translation>„{}“ von {}</translation>
    </message>
    <message>
        <source>“{}” of {} moves by itself: it is called {}</source>
        <translation>„{}“ von {} bewegt sich für sich: es heißt {}</translation>
    </message>
    <message>
        <source>“{}” off {}</source>
        <translation>„{}“ von {}</translation>
    </message>
    <message>
        <source>“{}” on frame {} of “{}”</source>
        <translation>„{}“ auf Bild {} von „{}“</translation>
    </message>
    <message>
        <source>“{}” on {}, {:.0f} mm from it</source>
        <translation>„{}“ an {}, {:.0f} mm davon</translation>
    </message>
    <message>
        <source>“{}” opens at {} when it moves</source>
        <translation>„{}“ öffnet sich bei Bewegung, Stellen: {}</translation>
    </message>
    <message>
        <source>“{}” over {}{}: {}, {} {}</source>
        <translation>„{}“ über {}{}: {}, {} {}</translation>
    </message>
    <message>
        <source>“{}” pops at frame {}</source>
        <translation>„{}“ zuckt bei Bild {}</translation>
    </message>
    <message>
        <source>“{}” repeats and creeps away</source>
        <translation>„{}“ wiederholt sich und wandert davon</translation>
    </message>
    <message>
        <source>“{}” rests otherwise than the skeleton it joins</source>
        <translation>„{}“ ruht anders als das Skelett, zu dem es kommt</translation>
    </message>
    <message>
        <source>“{}” still does not close: {:.0f} mm at {}</source>
        <translation>„{}“ schließt sich noch nicht: {:.0f} mm bei {}</translation>
    </message>
    <message>
        <source>“{}” was delivered and is gone</source>
        <translation>„{}“ wurde ausgeliefert und ist fort</translation>
    </message>
    <message>
        <source>“{}” was made on another body: {} it moves are not here</source>
        <translation>„{}“ entstand an einem anderen Körper: hier fehlen {}, die es bewegt</translation>
    </message>
    <message>
        <source>“{}” was moved by clips itself: under a skin it follows its joints, and that motion is gone</source>
        <translation>„{}“ wurde selbst durch Clips bewegt: unter einem Skin folgt es seinen Gelenken, und diese Bewegung ist fort</translation>
    </message>
    <message>
        <source>“{}” {}, {} under it</source>
        <translation>„{}“ {}, {} darunter</translation>
    </message>
    <message>
        <source>‹  Route card · %1</source>
        <translation>‹  Laufkarte · %1</translation>
    </message>
    <message>
        <source>‹  Route card · %1 of %2 steps do not fit</source>
        <translation>‹  Laufkarte · %1 von %2 Schritten passen nicht</translation>
    </message>
    <message>
        <source>↑ ↓ choose · Return does it · Escape leaves</source>
        <translation>↑ ↓ wählt · Eingabe führt aus · Esc verlässt</translation>
    </message>
    <message>
        <source>≤ </source>
        <translation>≤ </translation>
    </message>
    <message>
        <source>▸ Contents</source>
        <translation>▸ Inhalt</translation>
    </message>
    <message>
        <source>▾ %1 offered</source>
        <translation>▾ %1 angeboten</translation>
    </message>
    <message>
        <source>▾ Contents</source>
        <translation>▾ Inhalt</translation>
    </message>
    <message>
        <source>✓ Mended: %1</source>
        <translation>✓ Behoben: %1</translation>
    </message>
    <message>
        <source>✓ Pass</source>
        <translation>✓ Gut</translation>
    </message>
    <message>
        <source>✗ Fail</source>
        <translation>✗ Fehler</translation>
    </message>
</context>
</TS>
