<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>Jobs</name>
    <message>
        <source>Opening the recording…</source>
        <translation>Öffnet die Aufnahme…</translation>
    </message>
    <message>
        <source>Making takes…</source>
        <translation>Macht Takes…</translation>
    </message>
    <message>
        <source>Opening unsaved work…</source>
        <translation>Öffnet ungesicherte Arbeit…</translation>
    </message>
    <message>
        <source>Listening to the recording…</source>
        <translation>Die Aufnahme wird angehört…</translation>
    </message>
    <message>
        <source>Searching for notes…</source>
        <translation>Sucht Töne…</translation>
    </message>
    <message>
        <source>Mapping the takes…</source>
        <translation>Verteilt die Takes…</translation>
    </message>
    <message>
        <source>Treating the recording…</source>
        <translation>Die Aufnahme wird bearbeitet…</translation>
    </message>
    <message>
        <source>Treating all takes…</source>
        <translation>Bearbeitet alle Takes…</translation>
    </message>
    <message>
        <source>Undoing…</source>
        <translation>Macht rückgängig…</translation>
    </message>
    <message>
        <source>Searching for loops…</source>
        <translation>Sucht Loops…</translation>
    </message>
    <message>
        <source>Searching for loops in all takes…</source>
        <translation>Sucht Loops in allen Takes…</translation>
    </message>
    <message>
        <source>Copying the layer…</source>
        <translation>Kopiert die Ebene…</translation>
    </message>
    <message>
        <source>Measuring levels…</source>
        <translation>Misst Pegel…</translation>
    </message>
    <message>
        <source>Preparing the shape…</source>
        <translation>Bereitet die Form vor…</translation>
    </message>
    <message>
        <source>Saving…</source>
        <translation>Sichert…</translation>
    </message>
    <message>
        <source>Writing the files…</source>
        <translation>Schreibt die Dateien…</translation>
    </message>
    <message>
        <source>Printing…</source>
        <translation>Druckt…</translation>
    </message>
    <message>
        <source>Printing into files…</source>
        <translation>Druckt in Dateien…</translation>
    </message>
    <message>
        <source>Writing what was played…</source>
        <translation>Schreibt, was gespielt wurde…</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>silent</source>
        <translation>still</translation>
    </message>
    <message>
        <source>%1 is written.</source>
        <translation>%1 ist geschrieben.</translation>
    </message>
    <message>
        <source>played %1.wav</source>
        <translation>gespielt %1.wav</translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Sound (%1);;All files (*)</source>
        <translation>Klang (%1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Sound and instruments (%1 *.puretone *.sfz *.sf2);;All files (*)</source>
        <translation>Klang und Instrumente (%1 *.puretone *.sfz *.sf2);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Motion</source>
        <translation>Bewegung</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Raum</translation>
    </message>
    <message>
        <source>Ready chains</source>
        <translation>Fertige Ketten</translation>
    </message>
    <message>
        <source>%1 must lie between %2 and %3, or be a note up to 2/1.</source>
        <translation>%1 muss zwischen %2 und %3 liegen oder eine Note bis 2/1 sein.</translation>
    </message>
    <message>
        <source>%1 oct</source>
        <translation>%1 Okt</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>%1 left</source>
        <translation>%1 links</translation>
    </message>
    <message>
        <source>%1 right</source>
        <translation>%1 rechts</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>%1%2 st</source>
        <translation>%1%2 HT</translation>
    </message>
    <message>
        <source>remove DC</source>
        <translation>Gleichanteil entfernen</translation>
    </message>
    <message>
        <source>low cut</source>
        <translation>Tiefenschnitt</translation>
    </message>
    <message>
        <source>high cut</source>
        <translation>Höhenschnitt</translation>
    </message>
    <message>
        <source>band</source>
        <translation>Band</translation>
    </message>
    <message>
        <source>level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>evening out</source>
        <translation>Ebnen</translation>
    </message>
    <message>
        <source>reverse</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>straightening</source>
        <translation>Begradigen</translation>
    </message>
    <message>
        <source>removed tone</source>
        <translation>entfernter Ton</translation>
    </message>
    <message>
        <source>transposing</source>
        <translation>Transponieren</translation>
    </message>
    <message>
        <source>harmony</source>
        <translation>Mehrstimmigkeit</translation>
    </message>
    <message>
        <source>effects</source>
        <translation>Effekte</translation>
    </message>
    <message>
        <source>WAV or FLAC (*.wav *.flac)</source>
        <translation>WAV oder FLAC (*.wav *.flac)</translation>
    </message>
</context>
<context>
    <name>SpectrumAxis</name>
    <message>
        <source>%1 k</source>
        <translation>%1 k</translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source> Hz</source>
        <translation> Hz</translation>
    </message>
    <message>
        <source> and long enough to stay alive</source>
        <translation> und lang genug, um lebendig zu bleiben</translation>
    </message>
    <message>
        <source> copy</source>
        <translation> Kopie</translation>
    </message>
    <message>
        <source> drift %1 %</source>
        <translation> Drift %1 %</translation>
    </message>
    <message>
        <source> reversed</source>
        <translation> umgekehrt</translation>
    </message>
    <message>
        <source> vibrato %1 %</source>
        <translation> Vibrato %1 %</translation>
    </message>
    <message>
        <source> with its level evened out</source>
        <translation> mit geebnetem Pegel</translation>
    </message>
    <message>
        <source> with level and brightness evened out</source>
        <translation> mit geebnetem Pegel und geebneter Helligkeit</translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation>%1 und %2</translation>
    </message>
    <message>
        <source>%1 at %2</source>
        <translation>%1 bei %2</translation>
    </message>
    <message>
        <source>%1 bits, %2</source>
        <translation>%1 Bit, %2</translation>
    </message>
    <message>
        <source>%1 by key %2</source>
        <translation>%1 durch Taste %2</translation>
    </message>
    <message>
        <source>%1 cannot be opened: %2</source>
        <translation>%1 lässt sich nicht öffnen: %2</translation>
    </message>
    <message>
        <source>%1 cannot be opened: %2.</source>
        <translation>%1 lässt sich nicht öffnen: %2.</translation>
    </message>
    <message>
        <source>%1 cannot be opened: it names %2, which is not beside it.</source>
        <translation>%1 lässt sich nicht öffnen: es nennt %2, das nicht daneben liegt.</translation>
    </message>
    <message>
        <source>%1 cannot be read</source>
        <translation>%1 ist nicht lesbar</translation>
    </message>
    <message>
        <source>%1 cannot be read.</source>
        <translation>%1 ist nicht lesbar.</translation>
    </message>
    <message>
        <source>%1 cannot be written as FLAC.</source>
        <translation>%1 lässt sich nicht als FLAC schreiben.</translation>
    </message>
    <message>
        <source>%1 could not be opened: %2.</source>
        <translation>%1 ließ sich nicht öffnen: %2.</translation>
    </message>
    <message>
        <source>%1 could not be read: %2.</source>
        <translation>%1 ließ sich nicht lesen: %2.</translation>
    </message>
    <message>
        <source>%1 could not be written: %2.</source>
        <translation>%1 ließ sich nicht schreiben: %2.</translation>
    </message>
    <message>
        <source>%1 detuned</source>
        <translation>%1 verstimmt</translation>
    </message>
    <message>
        <source>%1 effects</source>
        <translation>%1 Effekte</translation>
    </message>
    <message>
        <source>%1 every %2</source>
        <translation>%1 alle %2</translation>
    </message>
    <message>
        <source>%1 fails its checksum</source>
        <translation>%1 besteht seine Prüfsumme nicht</translation>
    </message>
    <message>
        <source>%1 has an ending that Pure Tone does not write.</source>
        <translation>%1 hat eine Endung, die Pure Tone nicht schreibt.</translation>
    </message>
    <message>
        <source>%1 has an impossible size</source>
        <translation>%1 hat eine unmögliche Größe</translation>
    </message>
    <message>
        <source>%1 holds %2 frames of sound, too little to play.</source>
        <translation>%1 enthält %2 Frames Klang, zu wenig zum Spielen.</translation>
    </message>
    <message>
        <source>%1 holds 1 frame of sound, too little to play.</source>
        <translation>%1 enthält 1 Frame Klang, zu wenig zum Spielen.</translation>
    </message>
    <message>
        <source>%1 holds no notes.</source>
        <translation>%1 enthält keine Noten.</translation>
    </message>
    <message>
        <source>%1 holds no samples.</source>
        <translation>%1 enthält keine Samples.</translation>
    </message>
    <message>
        <source>%1 holds only silence.</source>
        <translation>%1 enthält nur Stille.</translation>
    </message>
    <message>
        <source>%1 is a folder, not a sound file.</source>
        <translation>%1 ist ein Ordner, keine Klangdatei.</translation>
    </message>
    <message>
        <source>%1 is cut off</source>
        <translation>%1 ist abgeschnitten</translation>
    </message>
    <message>
        <source>%1 is damaged: %2.</source>
        <translation>%1 ist beschädigt: %2.</translation>
    </message>
    <message>
        <source>%1 is damaged: it is cut off or makes no sense inside.</source>
        <translation>%1 ist beschädigt: es ist abgeschnitten oder ergibt innen keinen Sinn.</translation>
    </message>
    <message>
        <source>%1 is empty.</source>
        <translation>%1 ist leer.</translation>
    </message>
    <message>
        <source>%1 is longer than an hour or two million events.</source>
        <translation>%1 ist länger als eine Stunde oder zwei Millionen Ereignisse.</translation>
    </message>
    <message>
        <source>%1 is longer than the memory of this computer.</source>
        <translation>%1 ist länger als der Speicher dieses Computers.</translation>
    </message>
    <message>
        <source>%1 is missing inside</source>
        <translation>%1 fehlt darin</translation>
    </message>
    <message>
        <source>%1 is not a MIDI file that can be read.</source>
        <translation>%1 ist keine lesbare MIDI-Datei.</translation>
    </message>
    <message>
        <source>%1 is not a SoundFont 2 file, or it was cut off.</source>
        <translation>%1 ist keine SoundFont-2-Datei, oder sie wurde abgeschnitten.</translation>
    </message>
    <message>
        <source>%1 is not a sound file that can be read.</source>
        <translation>%1 ist keine lesbare Klangdatei.</translation>
    </message>
    <message>
        <source>%1 is not an ordinary file.</source>
        <translation>%1 ist keine gewöhnliche Datei.</translation>
    </message>
    <message>
        <source>%1 keys</source>
        <translation>%1 Tasten</translation>
    </message>
    <message>
        <source>%1 keys do not sound in both.</source>
        <translation>%1 Tasten klingen nicht in beiden.</translation>
    </message>
    <message>
        <source>%1 movements are</source>
        <translation>%1 Bewegungen sind</translation>
    </message>
    <message>
        <source>%1 moves</source>
        <translation>%1 Bewegungen</translation>
    </message>
    <message>
        <source>%1 names more samples than can be played.</source>
        <translation>%1 nennt mehr Samples, als gespielt werden können.</translation>
    </message>
    <message>
        <source>%1 names no samples.</source>
        <translation>%1 nennt keine Samples.</translation>
    </message>
    <message>
        <source>%1 not written: only slow sines and plain controllers on pitch, level, place and cutoff are.</source>
        <translation>%1 nicht geschrieben: nur langsame Sinuswellen und einfache Controller auf Tonhöhe, Pegel, Ort und Grenze sind es.</translation>
    </message>
    <message>
        <source>%1 not written: only slow sines and plain controllers on pitch, place and cutoff are.</source>
        <translation>%1 nicht geschrieben: nur langsame Sinuswellen und einfache Controller auf Tonhöhe, Ort und Grenze sind es.</translation>
    </message>
    <message>
        <source>%1 notes sound at once: %2.</source>
        <translation>%1 Töne klingen zugleich: %2.</translation>
    </message>
    <message>
        <source>%1 notes: split them?</source>
        <translation>%1 Töne: teilen?</translation>
    </message>
    <message>
        <source>%1 of %2 takes</source>
        <translation>%1 von %2 Takes</translation>
    </message>
    <message>
        <source>%1 of %2 takes go round</source>
        <translation>%1 von %2 Takes laufen im Kreis</translation>
    </message>
    <message>
        <source>%1 on %2 roots, borders halfway between them</source>
        <translation>%1 auf %2 Grundtönen, Grenzen auf halbem Weg</translation>
    </message>
    <message>
        <source>%1 on 1 root</source>
        <translation>%1 auf 1 Grundton</translation>
    </message>
    <message>
        <source>%1 reversed</source>
        <translation>%1 umgekehrt</translation>
    </message>
    <message>
        <source>%1 takes</source>
        <translation>%1 Takes</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
    <message>
        <source>%1 to 1 above %2</source>
        <translation>%1 zu 1 über %2</translation>
    </message>
    <message>
        <source>%1 was changed on disk since %2 was made.</source>
        <translation>%1 wurde auf dem Datenträger geändert, seit %2 gemacht wurde.</translation>
    </message>
    <message>
        <source>%1 was made by a newer Pure Tone.</source>
        <translation>%1 wurde mit einem neueren Pure Tone gemacht.</translation>
    </message>
    <message>
        <source>%1 was not written to its end.</source>
        <translation>%1 wurde nicht zu Ende geschrieben.</translation>
    </message>
    <message>
        <source>%1 was not written: no layer sounds when a key is pressed.</source>
        <translation>%1 wurde nicht geschrieben: keine Ebene klingt, wenn eine Taste gedrückt wird.</translation>
    </message>
    <message>
        <source>%1 was not written: the instrument has no take yet.</source>
        <translation>%1 wurde nicht geschrieben: das Instrument hat noch keinen Take.</translation>
    </message>
    <message>
        <source>%1 was written, but reading it back gave another result: %2 differs.</source>
        <translation>%1 wurde geschrieben, aber beim Zurücklesen kam etwas anderes: %2 weicht ab.</translation>
    </message>
    <message>
        <source>%1 would be larger than the four gigabytes that a SoundFont may have.</source>
        <translation>%1 wäre größer als die vier Gigabyte, die ein SoundFont haben darf.</translation>
    </message>
    <message>
        <source>%1, %2 beats</source>
        <translation>%1, %2 Schläge</translation>
    </message>
    <message>
        <source>%1, %2 to %3</source>
        <translation>%1, %2 bis %3</translation>
    </message>
    <message>
        <source>%1, 1 beat</source>
        <translation>%1, 1 Schlag</translation>
    </message>
    <message>
        <source>%1, crossing</source>
        <translation>%1, kreuzend</translation>
    </message>
    <message>
        <source>%1, held %2</source>
        <translation>%1, gehalten %2</translation>
    </message>
    <message>
        <source>%1, octave down</source>
        <translation>%1, Oktave tiefer</translation>
    </message>
    <message>
        <source>%1, octave up</source>
        <translation>%1, Oktave höher</translation>
    </message>
    <message>
        <source>+ and −</source>
        <translation>+ und −</translation>
    </message>
    <message>
        <source>, as the file&apos;s name says</source>
        <translation>, wie der Name der Datei sagt</translation>
    </message>
    <message>
        <source>, but not as smooth as the best</source>
        <translation>, aber nicht so glatt wie der beste</translation>
    </message>
    <message>
        <source>, but shorter than the best</source>
        <translation>, aber kürzer als der beste</translation>
    </message>
    <message>
        <source>, formants %1</source>
        <translation>, Formanten %1</translation>
    </message>
    <message>
        <source>, much the same as the best</source>
        <translation>, etwa so gut wie der beste</translation>
    </message>
    <message>
        <source>0 % is mono, 100 % as it is, 200 % twice as far apart</source>
        <translation>0 % ist mono, 100 % wie es ist, 200 % doppelt so weit</translation>
    </message>
    <message>
        <source>0.1 is wide, 20 is narrow</source>
        <translation>0.1 ist breit, 20 ist schmal</translation>
    </message>
    <message>
        <source>1 key</source>
        <translation>1 Taste</translation>
    </message>
    <message>
        <source>1 move</source>
        <translation>1 Bewegung</translation>
    </message>
    <message>
        <source>1 take</source>
        <translation>1 Take</translation>
    </message>
    <message>
        <source>16 bits</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>; a joint is heard that was not before</source>
        <translation>; eine Naht ist zu hören, die es vorher nicht war</translation>
    </message>
    <message>
        <source>; every other time it runs backward</source>
        <translation>; jedes zweite Mal läuft er rückwärts</translation>
    </message>
    <message>
        <source>; holds %1 dB below the attack</source>
        <translation>; hält %1 dB unter dem Anschlag</translation>
    </message>
    <message>
        <source>; short, so the sound stands still</source>
        <translation>; kurz, sodass der Klang stillsteht</translation>
    </message>
    <message>
        <source>; the joint as before</source>
        <translation>; die Naht wie zuvor</translation>
    </message>
    <message>
        <source>; the joints as before</source>
        <translation>; die Nähte wie zuvor</translation>
    </message>
    <message>
        <source>; the nearest </source>
        <translation>; der nächste </translation>
    </message>
    <message>
        <source>A WAV file holds one take: the first one is written.</source>
        <translation>Eine WAV-Datei fasst einen Take: der erste wird geschrieben.</translation>
    </message>
    <message>
        <source>A cave that breathes with the song</source>
        <translation>Eine Höhle, die mit dem Stück atmet</translation>
    </message>
    <message>
        <source>A drone: three voices a little apart, rises within %1 behind the strike, %2.</source>
        <translation>Ein Bordun: drei Stimmen, etwas auseinander, steigt innerhalb von %1 hinter dem Anschlag, %2.</translation>
    </message>
    <message>
        <source>A drone: three voices a little apart, rises within %1, %2.</source>
        <translation>Ein Bordun: drei Stimmen, etwas auseinander, steigt innerhalb von %1, %2.</translation>
    </message>
    <message>
        <source>A drum: each hit plays to its end, however short the key is held.</source>
        <translation>Eine Trommel: jeder Schlag spielt zu Ende, wie kurz die Taste auch gehalten wird.</translation>
    </message>
    <message>
        <source>A joint is heard that was not before.</source>
        <translation>Eine Naht ist zu hören, die es vorher nicht war.</translation>
    </message>
    <message>
        <source>A key is %1 ct off.</source>
        <translation>Eine Taste liegt %1 ct daneben.</translation>
    </message>
    <message>
        <source>A key is %1 dB off: what is not written may be why.</source>
        <translation>Eine Taste liegt %1 dB daneben: was nicht geschrieben wird, kann der Grund sein.</translation>
    </message>
    <message>
        <source>A layer has room for %1 movements.</source>
        <translation>Eine Ebene hat Platz für %1 Bewegungen.</translation>
    </message>
    <message>
        <source>A pad: rises within %1, %2, dies away within %3.</source>
        <translation>Ein Pad: steigt innerhalb von %1, %2, verklingt innerhalb von %3.</translation>
    </message>
    <message>
        <source>A pad: rises within %1, begins behind the strike, %2, dies away within %3.</source>
        <translation>Ein Pad: steigt innerhalb von %1, beginnt hinter dem Anschlag, %2, verklingt innerhalb von %3.</translation>
    </message>
    <message>
        <source>A pluck: at once there, gone within %1, duller as it fades, brighter the harder it is played.</source>
        <translation>Ein Zupfen: sofort da, in %1 vorbei, dumpfer beim Verklingen, heller, je fester gespielt wird.</translation>
    </message>
    <message>
        <source>A room around the sound</source>
        <translation>Ein Raum um den Klang</translation>
    </message>
    <message>
        <source>A room, a hall, a plate, or a hall that hardly ends</source>
        <translation>Ein Raum, eine Halle, eine Platte oder eine Halle, die kaum endet</translation>
    </message>
    <message>
        <source>A short delay that swings, like a jet far away</source>
        <translation>Eine kurze Verzögerung, die schwingt, wie ein Flugzeug weit weg</translation>
    </message>
    <message>
        <source>A small warm room</source>
        <translation>Ein kleiner warmer Raum</translation>
    </message>
    <message>
        <source>A tied bass: one note at a time that slides within %1 while keys overlap, %2.</source>
        <translation>Ein gebundener Bass: ein Ton zugleich, der innerhalb von %1 gleitet, solange Tasten sich überlappen, %2.</translation>
    </message>
    <message>
        <source>A tied bass: one note at a time that slides within %1 while keys overlap, two octaves down, %2.</source>
        <translation>Ein gebundener Bass: ein Ton zugleich, der innerhalb von %1 gleitet, solange Tasten sich überlappen, zwei Oktaven tiefer, %2.</translation>
    </message>
    <message>
        <source>A voice from far away, through a small speaker</source>
        <translation>Eine Stimme von weit her, durch einen kleinen Lautsprecher</translation>
    </message>
    <message>
        <source>All %1 have one root</source>
        <translation>Alle %1 haben einen Grundton</translation>
    </message>
    <message>
        <source>All four waves of the layer are followed by movements already.</source>
        <translation>Allen vier Wellen der Ebene folgen schon Bewegungen.</translation>
    </message>
    <message>
        <source>Alt while dragging</source>
        <translation>Alt beim Ziehen</translation>
    </message>
    <message>
        <source>Alt+Up, Enter, F2</source>
        <translation>Alt+Auf, Eingabe, F2</translation>
    </message>
    <message>
        <source>Alt+arrow</source>
        <translation>Alt+Pfeil</translation>
    </message>
    <message>
        <source>An ensemble under the roof</source>
        <translation>Ein Ensemble unter dem Dach</translation>
    </message>
    <message>
        <source>Arrows</source>
        <translation>Pfeile</translation>
    </message>
    <message>
        <source>Arrows, Enter</source>
        <translation>Pfeile, Eingabe</translation>
    </message>
    <message>
        <source>Arrows, Space, Delete</source>
        <translation>Pfeile, Leertaste, Entf</translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>As recorded: full level from the start, a short release, nothing else.</source>
        <translation>Wie aufgenommen: voller Pegel von Anfang an, kurzer Ausklang, sonst nichts.</translation>
    </message>
    <message>
        <source>At 0 both sides together, at 100 % from one to the other</source>
        <translation>Bei 0 beide Seiten zusammen, bei 100 % von einer zur anderen</translation>
    </message>
    <message>
        <source>At Keys</source>
        <translation>Bei Tasten</translation>
    </message>
    <message>
        <source>At Pitch</source>
        <translation>Bei Tonhöhe</translation>
    </message>
    <message>
        <source>At the wave and its handles</source>
        <translation>An der Welle und ihren Griffen</translation>
    </message>
    <message>
        <source>Attack</source>
        <translation>Ansprechen</translation>
    </message>
    <message>
        <source>Bass line</source>
        <translation>Basslinie</translation>
    </message>
    <message>
        <source>Bell</source>
        <translation>Glocke</translation>
    </message>
    <message>
        <source>Bends the wave: warmer, harsher, or folded</source>
        <translation>Biegt die Welle: wärmer, rauer oder gefaltet</translation>
    </message>
    <message>
        <source>Bits</source>
        <translation>Bits</translation>
    </message>
    <message>
        <source>Boat landing</source>
        <translation>Bootsanleger</translation>
    </message>
    <message>
        <source>Body %1 %, noise %2 %.</source>
        <translation>Körper %1 %, Rauschen %2 %.</translation>
    </message>
    <message>
        <source>Brings back what was held back</source>
        <translation>Bringt zurück, was zurückgehalten wurde</translation>
    </message>
    <message>
        <source>Centre the pitch</source>
        <translation>Tonhöhe zentrieren</translation>
    </message>
    <message>
        <source>Channels %1 and %2</source>
        <translation>Kanäle %1 und %2</translation>
    </message>
    <message>
        <source>Check that it may be read by you.</source>
        <translation>Prüfen, ob Sie sie lesen dürfen.</translation>
    </message>
    <message>
        <source>Choose a Standard MIDI file (.mid).</source>
        <translation>Eine Standard-MIDI-Datei (.mid) wählen.</translation>
    </message>
    <message>
        <source>Choose a file inside it.</source>
        <translation>Eine Datei darin wählen.</translation>
    </message>
    <message>
        <source>Choose a longer recording.</source>
        <translation>Eine längere Aufnahme wählen.</translation>
    </message>
    <message>
        <source>Choose a recording with sound in it.</source>
        <translation>Eine Aufnahme mit Klang darin wählen.</translation>
    </message>
    <message>
        <source>Choose another MIDI file.</source>
        <translation>Eine andere MIDI-Datei wählen.</translation>
    </message>
    <message>
        <source>Choose another SFZ file.</source>
        <translation>Eine andere SFZ-Datei wählen.</translation>
    </message>
    <message>
        <source>Choose another SoundFont.</source>
        <translation>Einen anderen SoundFont wählen.</translation>
    </message>
    <message>
        <source>Choose another device.</source>
        <translation>Ein anderes Gerät wählen.</translation>
    </message>
    <message>
        <source>Choose another folder.</source>
        <translation>Einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>Choose another input.</source>
        <translation>Einen anderen Eingang wählen.</translation>
    </message>
    <message>
        <source>Choose another instrument.</source>
        <translation>Ein anderes Instrument wählen.</translation>
    </message>
    <message>
        <source>Choose another key.</source>
        <translation>Eine andere Taste wählen.</translation>
    </message>
    <message>
        <source>Choose another one.</source>
        <translation>Eine andere wählen.</translation>
    </message>
    <message>
        <source>Choose another recording.</source>
        <translation>Eine andere Aufnahme wählen.</translation>
    </message>
    <message>
        <source>Chords</source>
        <translation>Akkorde</translation>
    </message>
    <message>
        <source>Chorus</source>
        <translation>Chorus</translation>
    </message>
    <message>
        <source>Comes again, and again softer</source>
        <translation>Kommt wieder, und leiser wieder</translation>
    </message>
    <message>
        <source>Comes back</source>
        <translation>Kommt zurück</translation>
    </message>
    <message>
        <source>Comes back from the cliff across the water</source>
        <translation>Kommt von der Klippe überm Wasser zurück</translation>
    </message>
    <message>
        <source>Comes back in</source>
        <translation>Kommt wieder herein</translation>
    </message>
    <message>
        <source>Compressor</source>
        <translation>Kompressor</translation>
    </message>
    <message>
        <source>Copy it again from where it came from, or repair it in a sound editor.</source>
        <translation>Noch einmal von der Quelle kopieren, oder in einem Klangeditor reparieren.</translation>
    </message>
    <message>
        <source>Copy it again from where it came from, or save it anew in the program that made it.</source>
        <translation>Noch einmal von der Quelle kopieren, oder im Programm, das sie gemacht hat, neu sichern.</translation>
    </message>
    <message>
        <source>Copy it again from where it came from.</source>
        <translation>Noch einmal von der Quelle kopieren.</translation>
    </message>
    <message>
        <source>Crosses over</source>
        <translation>Kreuzt hinüber</translation>
    </message>
    <message>
        <source>Crossovers become hard borders.</source>
        <translation>Übergänge werden harte Grenzen.</translation>
    </message>
    <message>
        <source>Crush</source>
        <translation>Crush</translation>
    </message>
    <message>
        <source>Ctrl+,</source>
        <translation>Strg+,</translation>
    </message>
    <message>
        <source>Ctrl+.</source>
        <translation>Strg+.</translation>
    </message>
    <message>
        <source>Ctrl+1 to Ctrl+7</source>
        <translation>Strg+1 bis Strg+7</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Strg+L</translation>
    </message>
    <message>
        <source>Ctrl+O</source>
        <translation>Strg+O</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Strg+R</translation>
    </message>
    <message>
        <source>Ctrl+S</source>
        <translation>Strg+S</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Strg+Umschalt+O</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Z</source>
        <translation>Strg+Umschalt+Z</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Strg+T</translation>
    </message>
    <message>
        <source>Ctrl+Z</source>
        <translation>Strg+Z</translation>
    </message>
    <message>
        <source>Ctrl+arrow</source>
        <translation>Strg+Pfeil</translation>
    </message>
    <message>
        <source>Cut it into parts.</source>
        <translation>In Teile schneiden.</translation>
    </message>
    <message>
        <source>Cut it into shorter recordings.</source>
        <translation>In kürzere Aufnahmen schneiden.</translation>
    </message>
    <message>
        <source>Damping</source>
        <translation>Dämpfung</translation>
    </message>
    <message>
        <source>Daybreak or Night watch</source>
        <translation>Tagesanbruch oder Nachtwache</translation>
    </message>
    <message>
        <source>Decay</source>
        <translation>Abklingzeit</translation>
    </message>
    <message>
        <source>Delay</source>
        <translation>Verzögerung</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Entf</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Double-click</source>
        <translation>Doppelklick</translation>
    </message>
    <message>
        <source>Draws both sides together or apart</source>
        <translation>Rückt beide Seiten zusammen oder auseinander</translation>
    </message>
    <message>
        <source>Drive</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Drone</source>
        <translation>Bordun</translation>
    </message>
    <message>
        <source>Drum</source>
        <translation>Trommel</translation>
    </message>
    <message>
        <source>Duck</source>
        <translation>Ducken</translation>
    </message>
    <message>
        <source>Ducking key</source>
        <translation>Duckende Taste</translation>
    </message>
    <message>
        <source>Ducks by</source>
        <translation>Duckt nach</translation>
    </message>
    <message>
        <source>EMU8000</source>
        <translation>EMU8000</translation>
    </message>
    <message>
        <source>Each echo loses what lies above</source>
        <translation>Jedes Echo verliert, was darüber liegt</translation>
    </message>
    <message>
        <source>Each echo loses what lies below</source>
        <translation>Jedes Echo verliert, was darunter liegt</translation>
    </message>
    <message>
        <source>Echo</source>
        <translation>Echo</translation>
    </message>
    <message>
        <source>Echoes go from side to side</source>
        <translation>Echos gehen von Seite zu Seite</translation>
    </message>
    <message>
        <source>Effects</source>
        <translation>Effekte</translation>
    </message>
    <message>
        <source>Effects are not written; a print has them inside.</source>
        <translation>Effekte werden nicht geschrieben; ein Druck hat sie in sich.</translation>
    </message>
    <message>
        <source>Effects: %1</source>
        <translation>Effekte: %1</translation>
    </message>
    <message>
        <source>Elsewhere</source>
        <translation>Anderswo</translation>
    </message>
    <message>
        <source>Engine shed</source>
        <translation>Maschinenhaus</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>Envelopes are written straight, and without what touch and keys do to their times.</source>
        <translation>Hüllkurven werden gerade geschrieben, und ohne das, was Anschlag und Tasten mit ihren Zeiten tun.</translation>
    </message>
    <message>
        <source>Equaliser</source>
        <translation>Equalizer</translation>
    </message>
    <message>
        <source>Esc while dragging</source>
        <translation>Esc beim Ziehen</translation>
    </message>
    <message>
        <source>Even out %1 %</source>
        <translation>Ebnen %1 %</translation>
    </message>
    <message>
        <source>Even out the brightness</source>
        <translation>Helligkeit ebnen</translation>
    </message>
    <message>
        <source>Even out the level</source>
        <translation>Pegel ebnen</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Everywhere</source>
        <translation>Überall</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Export</translation>
    </message>
    <message>
        <source>Falls in</source>
        <translation>Fällt in</translation>
    </message>
    <message>
        <source>Fewer bits and a lower rate, with all that folds back</source>
        <translation>Weniger Bits und eine kleinere Rate, mit allem, was sich zurückfaltet</translation>
    </message>
    <message>
        <source>Filters fall by 12 dB per octave.</source>
        <translation>Filter fallen mit 12 dB je Oktave.</translation>
    </message>
    <message>
        <source>Fit to whole periods</source>
        <translation>An ganze Perioden anpassen</translation>
    </message>
    <message>
        <source>Flanger</source>
        <translation>Flanger</translation>
    </message>
    <message>
        <source>Free some space or choose another folder.</source>
        <translation>Platz schaffen oder einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>Free some space there, or make the folder writable.</source>
        <translation>Dort Platz schaffen, oder den Ordner beschreibbar machen.</translation>
    </message>
    <message>
        <source>Free some space, or save now.</source>
        <translation>Platz schaffen, oder jetzt sichern.</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>From here on the shelf lifts or sinks</source>
        <translation>Ab hier hebt oder senkt der Kuhschwanz</translation>
    </message>
    <message>
        <source>From the middle to both sides</source>
        <translation>Von der Mitte zu beiden Seiten</translation>
    </message>
    <message>
        <source>Frozen moments are not written: their takes play as recorded.</source>
        <translation>Eingefrorene Momente werden nicht geschrieben: ihre Takes spielen wie aufgenommen.</translation>
    </message>
    <message>
        <source>Gain %1</source>
        <translation>Verstärkung %1</translation>
    </message>
    <message>
        <source>Gallery rail</source>
        <translation>Galeriegeländer</translation>
    </message>
    <message>
        <source>Glass all around: bright and short</source>
        <translation>Glas ringsum: hell und kurz</translation>
    </message>
    <message>
        <source>Hard and close, with iron in it</source>
        <translation>Hart und nah, mit Eisen darin</translation>
    </message>
    <message>
        <source>Harmonium loft</source>
        <translation>Harmoniumboden</translation>
    </message>
    <message>
        <source>Harmony</source>
        <translation>Mehrstimmigkeit</translation>
    </message>
    <message>
        <source>Harmony of nobody yet</source>
        <translation>Mehrstimmigkeit ohne Stimme</translation>
    </message>
    <message>
        <source>High Q</source>
        <translation>Q oben</translation>
    </message>
    <message>
        <source>High bell</source>
        <translation>Glocke oben</translation>
    </message>
    <message>
        <source>High cut</source>
        <translation>Höhenschnitt</translation>
    </message>
    <message>
        <source>High cut %1</source>
        <translation>Höhenschnitt %1</translation>
    </message>
    <message>
        <source>High gain</source>
        <translation>Hub oben</translation>
    </message>
    <message>
        <source>High shelf</source>
        <translation>Höhenkuhschwanz</translation>
    </message>
    <message>
        <source>Holds loud things back</source>
        <translation>Hält Lautes zurück</translation>
    </message>
    <message>
        <source>How far apart the walls stand</source>
        <translation>Wie weit die Wände auseinanderstehen</translation>
    </message>
    <message>
        <source>How far apart they stand</source>
        <translation>Wie weit sie auseinanderstehen</translation>
    </message>
    <message>
        <source>How far it swings</source>
        <translation>Wie weit sie schwingt</translation>
    </message>
    <message>
        <source>How far the higher bell lifts or sinks</source>
        <translation>Wie weit die obere Glocke hebt oder senkt</translation>
    </message>
    <message>
        <source>How far the level goes down</source>
        <translation>Wie weit der Pegel hinuntergeht</translation>
    </message>
    <message>
        <source>How far the lower bell lifts or sinks</source>
        <translation>Wie weit die untere Glocke hebt oder senkt</translation>
    </message>
    <message>
        <source>How far the shelf lifts or sinks</source>
        <translation>Wie weit der Kuhschwanz hebt oder senkt</translation>
    </message>
    <message>
        <source>How far the times drift, and the pitch of echoes with them</source>
        <translation>Wie weit die Zeiten driften, und die Tonhöhe der Echos mit ihnen</translation>
    </message>
    <message>
        <source>How far their pitches drift</source>
        <translation>Wie weit ihre Tonhöhen driften</translation>
    </message>
    <message>
        <source>How fast the delay swings</source>
        <translation>Wie schnell die Verzögerung schwingt</translation>
    </message>
    <message>
        <source>How fast the notches sweep</source>
        <translation>Wie schnell die Kerben streichen</translation>
    </message>
    <message>
        <source>How fast the voices drift</source>
        <translation>Wie schnell die Stimmen driften</translation>
    </message>
    <message>
        <source>How finely levels are told apart</source>
        <translation>Wie fein Pegel unterschieden werden</translation>
    </message>
    <message>
        <source>How gradually holding back begins about the threshold</source>
        <translation>Wie allmählich das Zurückhalten um die Schwelle beginnt</translation>
    </message>
    <message>
        <source>How many notes sound at once is up to the player of the file.</source>
        <translation>Wie viele Töne zugleich klingen, bestimmt der Player der Datei.</translation>
    </message>
    <message>
        <source>How much of each echo is heard again</source>
        <translation>Wie viel von jedem Echo wieder zu hören ist</translation>
    </message>
    <message>
        <source>How much of the effect is heard beside the sound itself</source>
        <translation>Wie viel des Effekts neben dem Klang selbst zu hören ist</translation>
    </message>
    <message>
        <source>How often the wave is looked at</source>
        <translation>Wie oft die Welle angesehen wird</translation>
    </message>
    <message>
        <source>How quickly it lets go</source>
        <translation>Wie schnell er loslässt</translation>
    </message>
    <message>
        <source>How quickly it takes hold</source>
        <translation>Wie schnell er greift</translation>
    </message>
    <message>
        <source>In seconds, or as a note of the tempo</source>
        <translation>In Sekunden, oder als Note des Tempos</translation>
    </message>
    <message>
        <source>In time with the song, or whenever a key is pressed</source>
        <translation>Im Takt des Stücks, oder immer wenn eine Taste gedrückt wird</translation>
    </message>
    <message>
        <source>Inner starts are not written: notes begin at the beginning.</source>
        <translation>Innere Anfänge werden nicht geschrieben: Töne beginnen am Anfang.</translation>
    </message>
    <message>
        <source>Into the bend; what comes out is not louder for it</source>
        <translation>In die Biegung hinein; was herauskommt, ist dadurch nicht lauter</translation>
    </message>
    <message>
        <source>It is not said what is moved.</source>
        <translation>Es ist nicht gesagt, was bewegt wird.</translation>
    </message>
    <message>
        <source>It reads as %1, but its place in the row says %2: check which is right.</source>
        <translation>Gelesen wird %1, aber der Platz in der Reihe sagt %2: prüfen, was stimmt.</translation>
    </message>
    <message>
        <source>It wanders from %1 to %2, steadiest from %3 to %4.</source>
        <translation>Er wandert von %1 bis %2, am ruhigsten von %3 bis %4.</translation>
    </message>
    <message>
        <source>Keeper&apos;s kitchen</source>
        <translation>Küche des Wärters</translation>
    </message>
    <message>
        <source>Keeping the length makes a sample of every key: %1 in all.</source>
        <translation>Die Länge zu behalten macht ein Sample aus jeder Taste: %1 im Ganzen.</translation>
    </message>
    <message>
        <source>Key ranges are not written: each file says its own root.</source>
        <translation>Tastenbereiche werden nicht geschrieben: jede Datei sagt ihren Grundton.</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>Keys do not move the filter&apos;s cutoff.</source>
        <translation>Tasten bewegen die Grenze des Filters nicht.</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Knee</source>
        <translation>Knie</translation>
    </message>
    <message>
        <source>Lamp room</source>
        <translation>Lampenraum</translation>
    </message>
    <message>
        <source>Layer %1</source>
        <translation>Ebene %1</translation>
    </message>
    <message>
        <source>Layers are not written.</source>
        <translation>Ebenen werden nicht geschrieben.</translation>
    </message>
    <message>
        <source>Layers that are switched off are not written.</source>
        <translation>Ausgeschaltete Ebenen werden nicht geschrieben.</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation>Links, Rechts</translation>
    </message>
    <message>
        <source>Lengthen the crossfade</source>
        <translation>Überblendung verlängern</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Level %1 LUFS</source>
        <translation>Pegel %1 LUFS</translation>
    </message>
    <message>
        <source>Level %1 peak</source>
        <translation>Pegel %1 Spitze</translation>
    </message>
    <message>
        <source>Levels are written below the loudest one, which is played as recorded.</source>
        <translation>Pegel werden unter dem lautesten geschrieben, der wie aufgenommen spielt.</translation>
    </message>
    <message>
        <source>Listening to %1 was cancelled.</source>
        <translation>Anhören von %1 wurde abgebrochen.</translation>
    </message>
    <message>
        <source>Longer than %1 minutes: keys play the first %2 minutes of it. Split it, or keep less.</source>
        <translation>Länger als %1 Minuten: Tasten spielen die ersten %2 Minuten davon. Teilen, oder weniger behalten.</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Loop</translation>
    </message>
    <message>
        <source>Loop or shorten the takes, or write SFZ.</source>
        <translation>Die Takes loopen oder kürzen, oder SFZ schreiben.</translation>
    </message>
    <message>
        <source>Low Q</source>
        <translation>Q unten</translation>
    </message>
    <message>
        <source>Low bell</source>
        <translation>Glocke unten</translation>
    </message>
    <message>
        <source>Low cut</source>
        <translation>Tiefenschnitt</translation>
    </message>
    <message>
        <source>Low cut %1</source>
        <translation>Tiefenschnitt %1</translation>
    </message>
    <message>
        <source>Low cut, two bells and a high shelf</source>
        <translation>Tiefenschnitt, zwei Glocken und ein Höhenkuhschwanz</translation>
    </message>
    <message>
        <source>Low gain</source>
        <translation>Hub unten</translation>
    </message>
    <message>
        <source>Low shelf</source>
        <translation>Tiefenkuhschwanz</translation>
    </message>
    <message>
        <source>Low, round and driven</source>
        <translation>Tief, rund und gesättigt</translation>
    </message>
    <message>
        <source>Make room on the disk.</source>
        <translation>Auf dem Datenträger Platz schaffen.</translation>
    </message>
    <message>
        <source>Make that folder writable, or save often.</source>
        <translation>Diesen Ordner beschreibbar machen, oder oft sichern.</translation>
    </message>
    <message>
        <source>Make the curve automatic</source>
        <translation>Kurve automatisch machen</translation>
    </message>
    <message>
        <source>Make-up</source>
        <translation>Ausgleich</translation>
    </message>
    <message>
        <source>Makes it ring; below zero it is hollow</source>
        <translation>Lässt ihn klingeln; unter null ist er hohl</translation>
    </message>
    <message>
        <source>Makes room in time with the song, or for a key</source>
        <translation>Macht Platz im Takt des Stücks, oder für eine Taste</translation>
    </message>
    <message>
        <source>Middle of the higher bell</source>
        <translation>Mitte der oberen Glocke</translation>
    </message>
    <message>
        <source>Middle of the lower bell</source>
        <translation>Mitte der unteren Glocke</translation>
    </message>
    <message>
        <source>Mix</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>Mono below</source>
        <translation>Mono unter</translation>
    </message>
    <message>
        <source>Mono from all</source>
        <translation>Mono aus allen</translation>
    </message>
    <message>
        <source>Mono from channel %1</source>
        <translation>Mono aus Kanal %1</translation>
    </message>
    <message>
        <source>Mono from left</source>
        <translation>Mono von links</translation>
    </message>
    <message>
        <source>Mono from right</source>
        <translation>Mono von rechts</translation>
    </message>
    <message>
        <source>Move the end to a match</source>
        <translation>Das Ende an eine passende Stelle rücken</translation>
    </message>
    <message>
        <source>No clear pitch was heard; the root key is the one in the file. Check it by ear.</source>
        <translation>Keine klare Tonhöhe war zu hören; der Grundton ist der aus der Datei. Nach Gehör prüfen.</translation>
    </message>
    <message>
        <source>No end to it</source>
        <translation>Ohne Ende</translation>
    </message>
    <message>
        <source>No journal of unsaved work can be kept in %1.</source>
        <translation>In %1 lässt sich kein Journal der ungesicherten Arbeit führen.</translation>
    </message>
    <message>
        <source>No key plays anything yet: open a recording.</source>
        <translation>Noch spielt keine Taste etwas: eine Aufnahme öffnen.</translation>
    </message>
    <message>
        <source>No key sounds: nothing was written.</source>
        <translation>Keine Taste klingt: nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>No loop was found: it %1.</source>
        <translation>Kein Loop gefunden: er %1.</translation>
    </message>
    <message>
        <source>North gully</source>
        <translation>Nordschlucht</translation>
    </message>
    <message>
        <source>Notches that sweep through the sound</source>
        <translation>Kerben, die durch den Klang streichen</translation>
    </message>
    <message>
        <source>Nothing can be printed: %1.</source>
        <translation>Nichts lässt sich drucken: %1.</translation>
    </message>
    <message>
        <source>Nothing is said to move.</source>
        <translation>Es ist nichts gesagt, was bewegt.</translation>
    </message>
    <message>
        <source>Nothing of it sounds at an ordinary touch.</source>
        <translation>Nichts davon klingt bei gewöhnlichem Anschlag.</translation>
    </message>
    <message>
        <source>Of sounds in turn only the first one is written.</source>
        <translation>Von abwechselnden Klängen wird nur der erste geschrieben.</translation>
    </message>
    <message>
        <source>Of the space; at 0 dB it is as loud as what comes in</source>
        <translation>Des Raums; bei 0 dB ist er so laut wie das, was hineingeht</translation>
    </message>
    <message>
        <source>Of the swing</source>
        <translation>Der Schwingung</translation>
    </message>
    <message>
        <source>Of what comes out</source>
        <translation>Dessen, was herauskommt</translation>
    </message>
    <message>
        <source>Oil cellar</source>
        <translation>Ölkeller</translation>
    </message>
    <message>
        <source>On the shelf</source>
        <translation>Im Regal</translation>
    </message>
    <message>
        <source>One key does not sound in both.</source>
        <translation>Eine Taste klingt nicht in beiden.</translation>
    </message>
    <message>
        <source>One long note</source>
        <translation>Ein langer Ton</translation>
    </message>
    <message>
        <source>One movement is</source>
        <translation>Eine Bewegung ist</translation>
    </message>
    <message>
        <source>Only filters that let lows through are written.</source>
        <translation>Nur Filter, die Tiefen durchlassen, werden geschrieben.</translation>
    </message>
    <message>
        <source>Only the first two of %1 channels are heard: choose others with &quot;Choose channels&quot; below the wave.</source>
        <translation>Nur die ersten zwei von %1 Kanälen sind zu hören: andere mit „Kanäle wählen“ unter der Welle wählen.</translation>
    </message>
    <message>
        <source>Only the removed tone is heard: press &quot;Hear it alone&quot; again for the take.</source>
        <translation>Nur der entfernte Ton ist zu hören: für den Take noch einmal „Allein hören“ drücken.</translation>
    </message>
    <message>
        <source>Only the tone at %1</source>
        <translation>Nur der Ton bei %1</translation>
    </message>
    <message>
        <source>Open a recording first.</source>
        <translation>Erst eine Aufnahme öffnen.</translation>
    </message>
    <message>
        <source>Open an older copy of it if there is one.</source>
        <translation>Eine ältere Kopie davon öffnen, wenn es eine gibt.</translation>
    </message>
    <message>
        <source>Open an older copy of it.</source>
        <translation>Eine ältere Kopie davon öffnen.</translation>
    </message>
    <message>
        <source>Open sea</source>
        <translation>Offene See</translation>
    </message>
    <message>
        <source>Opening %1 was cancelled.</source>
        <translation>Öffnen von %1 wurde abgebrochen.</translation>
    </message>
    <message>
        <source>Opening was cancelled.</source>
        <translation>Öffnen wurde abgebrochen.</translation>
    </message>
    <message>
        <source>Pad</source>
        <translation>Pad</translation>
    </message>
    <message>
        <source>Page Up, Page Down</source>
        <translation>Bild auf, Bild ab</translation>
    </message>
    <message>
        <source>Phaser</source>
        <translation>Phaser</translation>
    </message>
    <message>
        <source>Pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>Played back: %1 within %2 ct and %3 dB</source>
        <translation>Zurückgespielt: %1 auf %2 ct und %3 dB genau</translation>
    </message>
    <message>
        <source>Played back: %1 within %2 dB</source>
        <translation>Zurückgespielt: %1 auf %2 dB genau</translation>
    </message>
    <message>
        <source>Playing</source>
        <translation>Spielen</translation>
    </message>
    <message>
        <source>Pluck</source>
        <translation>Zupfen</translation>
    </message>
    <message>
        <source>Pre-delay</source>
        <translation>Vorverzögerung</translation>
    </message>
    <message>
        <source>Print of %1: </source>
        <translation>Druck von %1: </translation>
    </message>
    <message>
        <source>Printing was stopped.</source>
        <translation>Drucken wurde angehalten.</translation>
    </message>
    <message>
        <source>Pure Tone</source>
        <translation>Pure Tone</translation>
    </message>
    <message>
        <source>Put its samples beside the SFZ file.</source>
        <translation>Seine Samples neben die SFZ-Datei legen.</translation>
    </message>
    <message>
        <source>Put the recording as it was back to %1.</source>
        <translation>Die Aufnahme, wie sie war, nach %1 zurücklegen.</translation>
    </message>
    <message>
        <source>Put the samples beside the SFZ file.</source>
        <translation>Die Samples neben die SFZ-Datei legen.</translation>
    </message>
    <message>
        <source>Radio hut</source>
        <translation>Funkhütte</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>Ratio</source>
        <translation>Verhältnis</translation>
    </message>
    <message>
        <source>Read back with its samples: key range, %1 and sound as set.</source>
        <translation>Mit seinen Samples zurückgelesen: Tastenbereich, %1 und Klang wie gesetzt.</translation>
    </message>
    <message>
        <source>Read back: %1 keys as they sound here, each with its note inside.</source>
        <translation>Zurückgelesen: %1 Tasten, wie sie hier klingen, jede mit ihrer Note darin.</translation>
    </message>
    <message>
        <source>Read back: every frame of %1 takes within one step of %2 bits; %3 as set.</source>
        <translation>Zurückgelesen: jeder Frame von %1 Takes auf einen Schritt von %2 Bit genau; %3 wie gesetzt.</translation>
    </message>
    <message>
        <source>Read back: every frame of 1 take within one step of %1 bits; %2 as set.</source>
        <translation>Zurückgelesen: jeder Frame von 1 Take auf einen Schritt von %1 Bit genau; %2 wie gesetzt.</translation>
    </message>
    <message>
        <source>Read back: every frame within one step of %1 bits; %2 as set.</source>
        <translation>Zurückgelesen: jeder Frame auf einen Schritt von %1 Bit genau; %2 wie gesetzt.</translation>
    </message>
    <message>
        <source>Read back: key range, %1 as set, every frame within one step of %2 bits.</source>
        <translation>Zurückgelesen: Tastenbereich, %1 wie gesetzt, jeder Frame auf einen Schritt von %2 Bit genau.</translation>
    </message>
    <message>
        <source>Read back: the same instrument, and every recording byte for byte.</source>
        <translation>Zurückgelesen: dasselbe Instrument, und jede Aufnahme Byte für Byte.</translation>
    </message>
    <message>
        <source>Recording to %1 is not possible: %2.</source>
        <translation>Aufnehmen nach %1 ist nicht möglich: %2.</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Loslassen</translation>
    </message>
    <message>
        <source>Remove DC</source>
        <translation>Gleichanteil entfernen</translation>
    </message>
    <message>
        <source>Remove tone %1</source>
        <translation>Ton entfernen %1</translation>
    </message>
    <message>
        <source>Reverb</source>
        <translation>Hall</translation>
    </message>
    <message>
        <source>Reverse</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>Rock pool</source>
        <translation>Felsbecken</translation>
    </message>
    <message>
        <source>Save it as a WAV file.</source>
        <translation>Als WAV-Datei sichern.</translation>
    </message>
    <message>
        <source>Scale over all keys</source>
        <translation>Tonleiter über alle Tasten</translation>
    </message>
    <message>
        <source>Several that drift instead of one</source>
        <translation>Mehrere, die driften, statt eines</translation>
    </message>
    <message>
        <source>Several that drift, out in the wind</source>
        <translation>Mehrere, die driften, draußen im Wind</translation>
    </message>
    <message>
        <source>Shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>Sharpens what lies between the notches</source>
        <translation>Schärft, was zwischen den Kerben liegt</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Kuhschwanz</translation>
    </message>
    <message>
        <source>Shelf gain</source>
        <translation>Hub des Kuhschwanzes</translation>
    </message>
    <message>
        <source>Shift+arrow</source>
        <translation>Umschalt+Pfeil</translation>
    </message>
    <message>
        <source>Shift, Alt while dragging</source>
        <translation>Umschalt, Alt beim Ziehen</translation>
    </message>
    <message>
        <source>Short echoes that climb from side to side</source>
        <translation>Kurze Echos, die von Seite zu Seite klettern</translation>
    </message>
    <message>
        <source>Shorten the crossfade</source>
        <translation>Überblendung verkürzen</translation>
    </message>
    <message>
        <source>Side to side</source>
        <translation>Seite zu Seite</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>So many dB above the threshold become one</source>
        <translation>So viele dB über der Schwelle werden eines</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>Sounds in turn that share only some of their keys sound together.</source>
        <translation>Abwechselnde Klänge, die sich nur einige ihrer Tasten teilen, klingen zusammen.</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Raum</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Spiral stair</source>
        <translation>Wendeltreppe</translation>
    </message>
    <message>
        <source>Straighten</source>
        <translation>Begradigen</translation>
    </message>
    <message>
        <source>Swap sides</source>
        <translation>Seiten tauschen</translation>
    </message>
    <message>
        <source>Sweeps like light on a wall</source>
        <translation>Streicht wie Licht über eine Wand</translation>
    </message>
    <message>
        <source>Swing lasts</source>
        <translation>Schwingung dauert</translation>
    </message>
    <message>
        <source>Switch a layer on.</source>
        <translation>Eine Ebene einschalten.</translation>
    </message>
    <message>
        <source>Tab, arrows</source>
        <translation>Tab, Pfeile</translation>
    </message>
    <message>
        <source>Take a smaller one.</source>
        <translation>Ein kleineres nehmen.</translation>
    </message>
    <message>
        <source>Take one away first.</source>
        <translation>Erst eine wegnehmen.</translation>
    </message>
    <message>
        <source>Take one away, or let this one follow a wave that is there.</source>
        <translation>Eine wegnehmen, oder diese einer Welle folgen lassen, die da ist.</translation>
    </message>
    <message>
        <source>Tape-like is round, hard cuts off, fold turns peaks back</source>
        <translation>Bandartig ist rund, hart schneidet ab, falten wendet Spitzen zurück</translation>
    </message>
    <message>
        <source>The %1 is not moved by &quot;%2&quot;.</source>
        <translation>%1 lässt sich nicht um „%2“ bewegen.</translation>
    </message>
    <message>
        <source>The audio device %1 could not be opened: %2.</source>
        <translation>Das Audiogerät %1 ließ sich nicht öffnen: %2.</translation>
    </message>
    <message>
        <source>The blend is written as it stands.</source>
        <translation>Die Blende wird geschrieben, wie sie steht.</translation>
    </message>
    <message>
        <source>The disk took no more: what was recorded until then is kept.</source>
        <translation>Der Datenträger nahm nichts mehr an: was bis dahin aufgenommen wurde, bleibt.</translation>
    </message>
    <message>
        <source>The disk was too slow for a while: %1 are missing and stand as silence.</source>
        <translation>Der Datenträger war eine Weile zu langsam: %1 fehlen und stehen als Stille.</translation>
    </message>
    <message>
        <source>The drive before the filter is not written.</source>
        <translation>Die Sättigung vor dem Filter wird nicht geschrieben.</translation>
    </message>
    <message>
        <source>The file of a recording is no longer there: %1 lacks it.</source>
        <translation>Die Datei einer Aufnahme ist nicht mehr da: sie fehlt in %1.</translation>
    </message>
    <message>
        <source>The filter&apos;s sweep falls evenly, not as it does here.</source>
        <translation>Der Schwenk des Filters fällt gleichmäßig, nicht wie hier.</translation>
    </message>
    <message>
        <source>The folder %1 could not be made: %2.</source>
        <translation>Der Ordner %1 ließ sich nicht anlegen: %2.</translation>
    </message>
    <message>
        <source>The input gives no sound.</source>
        <translation>Der Eingang gibt keinen Klang.</translation>
    </message>
    <message>
        <source>The journal in %1 is damaged and cannot be opened.</source>
        <translation>Das Journal in %1 ist beschädigt und lässt sich nicht öffnen.</translation>
    </message>
    <message>
        <source>The journal of unsaved work in %1 could not be written.</source>
        <translation>Das Journal der ungesicherten Arbeit in %1 ließ sich nicht schreiben.</translation>
    </message>
    <message>
        <source>The key that makes room, such as a kick&apos;s</source>
        <translation>Die Taste, die Platz macht, etwa die einer Bassdrum</translation>
    </message>
    <message>
        <source>The keyboard %1 is not connected.</source>
        <translation>Die Tastatur %1 ist nicht verbunden.</translation>
    </message>
    <message>
        <source>The level swings, together or from side to side</source>
        <translation>Der Pegel schwingt, zusammen oder von Seite zu Seite</translation>
    </message>
    <message>
        <source>The longest that it gets</source>
        <translation>So lang wird sie höchstens</translation>
    </message>
    <message>
        <source>The loop %1: choose another candidate or move a post.</source>
        <translation>Der Loop %1: einen anderen Kandidaten wählen oder einen Pfosten bewegen.</translation>
    </message>
    <message>
        <source>The pattern is not written.</source>
        <translation>Das Muster wird nicht geschrieben.</translation>
    </message>
    <message>
        <source>The pitch is uncertain: compare the candidates and choose one.</source>
        <translation>Die Tonhöhe ist unsicher: die Kandidaten vergleichen und einen wählen.</translation>
    </message>
    <message>
        <source>The recording has reached four gigabytes, as much as a WAV file holds; it is kept.</source>
        <translation>Die Aufnahme hat vier Gigabyte erreicht, so viel wie eine WAV-Datei fasst; sie bleibt.</translation>
    </message>
    <message>
        <source>The room that an impulse response was recorded in</source>
        <translation>Der Raum, in dem eine Impulsantwort aufgenommen wurde</translation>
    </message>
    <message>
        <source>The shape is not written: a WAV file has no room for it.</source>
        <translation>Die Form wird nicht geschrieben: eine WAV-Datei hat keinen Platz dafür.</translation>
    </message>
    <message>
        <source>The slow wave becomes a triangle, and is there from the beginning of each note.</source>
        <translation>Die langsame Welle wird ein Dreieck und ist von Anfang jedes Tons an da.</translation>
    </message>
    <message>
        <source>The space loses what lies above</source>
        <translation>Der Raum verliert, was darüber liegt</translation>
    </message>
    <message>
        <source>The space loses what lies below</source>
        <translation>Der Raum verliert, was darunter liegt</translation>
    </message>
    <message>
        <source>The version before it stands beside it: open %1.</source>
        <translation>Die Fassung davor steht daneben: %1 öffnen.</translation>
    </message>
    <message>
        <source>The wheel&apos;s reach is up to the player of the file.</source>
        <translation>Wie weit das Rad reicht, bestimmt der Player der Datei.</translation>
    </message>
    <message>
        <source>There are no notes to play.</source>
        <translation>Es gibt keine Noten zu spielen.</translation>
    </message>
    <message>
        <source>There is no clear pitch: set the root key by ear.</source>
        <translation>Es gibt keine klare Tonhöhe: den Grundton nach Gehör setzen.</translation>
    </message>
    <message>
        <source>This recording of %1 holds %2 notes: click here to see where it would be cut; nothing is made yet.</source>
        <translation>Diese Aufnahme von %1 enthält %2 Töne: hier klicken, um zu sehen, wo sie geschnitten würde; noch wird nichts gemacht.</translation>
    </message>
    <message>
        <source>Three voices that drift, or an ensemble that shimmers</source>
        <translation>Drei Stimmen, die driften, oder ein Ensemble, das schimmert</translation>
    </message>
    <message>
        <source>Threshold</source>
        <translation>Schwelle</translation>
    </message>
    <message>
        <source>Tied bass</source>
        <translation>Legatobass</translation>
    </message>
    <message>
        <source>Tied notes and glides are not written: each note begins anew.</source>
        <translation>Gebundene Töne und Gleiten werden nicht geschrieben: jeder Ton beginnt neu.</translation>
    </message>
    <message>
        <source>Time before it begins</source>
        <translation>Zeit, bevor er beginnt</translation>
    </message>
    <message>
        <source>Time from one duck to the next</source>
        <translation>Zeit von einem Ducken zum nächsten</translation>
    </message>
    <message>
        <source>Time left</source>
        <translation>Zeit links</translation>
    </message>
    <message>
        <source>Time right</source>
        <translation>Zeit rechts</translation>
    </message>
    <message>
        <source>Time to fall by 60 dB; twenty times that where it is endless</source>
        <translation>Zeit, um 60 dB zu fallen; das Zwanzigfache, wo er endlos ist</translation>
    </message>
    <message>
        <source>Time until it is down</source>
        <translation>Zeit, bis er unten ist</translation>
    </message>
    <message>
        <source>Time until it is up again</source>
        <translation>Zeit, bis er wieder oben ist</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Bis</translation>
    </message>
    <message>
        <source>Touch makes louder as the player of the file does it.</source>
        <translation>Der Anschlag macht lauter, wie der Player der Datei es tut.</translation>
    </message>
    <message>
        <source>Transpose %1 st</source>
        <translation>Transponieren %1 HT</translation>
    </message>
    <message>
        <source>Tremolo</source>
        <translation>Tremolo</translation>
    </message>
    <message>
        <source>Try again, or write to another disk.</source>
        <translation>Noch einmal versuchen, oder auf einen anderen Datenträger schreiben.</translation>
    </message>
    <message>
        <source>Turns over all keys become turns of each key.</source>
        <translation>Wechsel über alle Tasten werden Wechsel jeder Taste.</translation>
    </message>
    <message>
        <source>Unison is not written where sounds take turns or make room for each other.</source>
        <translation>Unisono wird nicht geschrieben, wo Klänge abwechseln oder einander Platz machen.</translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation>Auf, Ab</translation>
    </message>
    <message>
        <source>Update Pure Tone to open it.</source>
        <translation>Pure Tone aktualisieren, um es zu öffnen.</translation>
    </message>
    <message>
        <source>Use .puretone, .wav, .sfz or .sf2.</source>
        <translation>.puretone, .wav, .sfz oder .sf2 verwenden.</translation>
    </message>
    <message>
        <source>Use WAV, AIFF, FLAC, Ogg, Opus or MP3.</source>
        <translation>WAV, AIFF, FLAC, Ogg, Opus oder MP3 verwenden.</translation>
    </message>
    <message>
        <source>Vibrato of ±%1 cents, %2 a second.</source>
        <translation>Vibrato von ±%1 Cent, %2 je Sekunde.</translation>
    </message>
    <message>
        <source>Wander</source>
        <translation>Wandern</translation>
    </message>
    <message>
        <source>What allows it is not understood.</source>
        <translation>Was es erlaubt, ist nicht zu verstehen.</translation>
    </message>
    <message>
        <source>What is brighter than this dies twice as soon</source>
        <translation>Was heller ist, verklingt doppelt so schnell</translation>
    </message>
    <message>
        <source>What is brighter than this is softened again</source>
        <translation>Was heller ist, wird wieder weicher gemacht</translation>
    </message>
    <message>
        <source>What is louder is held back</source>
        <translation>Was lauter ist, wird zurückgehalten</translation>
    </message>
    <message>
        <source>What is lower stays in the middle</source>
        <translation>Was tiefer ist, bleibt in der Mitte</translation>
    </message>
    <message>
        <source>What lies below goes, 12 dB an octave; at 10 Hz it does nothing</source>
        <translation>Was darunter liegt, geht, 12 dB je Oktave; bei 10 Hz tut es nichts</translation>
    </message>
    <message>
        <source>What this take was printed from has changed: print it anew.</source>
        <translation>Woraus dieser Take gedruckt wurde, hat sich geändert: neu drucken.</translation>
    </message>
    <message>
        <source>Wheel, + and −</source>
        <translation>Rad, + und −</translation>
    </message>
    <message>
        <source>Where it turns again</source>
        <translation>Wo sie wieder umkehrt</translation>
    </message>
    <message>
        <source>Where the lowest notch turns</source>
        <translation>Wo die tiefste Kerbe umkehrt</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Width %1 %</source>
        <translation>Breite %1 %</translation>
    </message>
    <message>
        <source>Without pitch</source>
        <translation>Ohne Tonhöhe</translation>
    </message>
    <message>
        <source>Write KEY:START:SECONDS:VELOCITY, for example A3:0:1.5:100.</source>
        <translation>TASTE:ANFANG:SEKUNDEN:ANSCHLAG schreiben, zum Beispiel A3:0:1.5:100.</translation>
    </message>
    <message>
        <source>Write SFZ, or switch such a layer on.</source>
        <translation>SFZ schreiben, oder so eine Ebene einschalten.</translation>
    </message>
    <message>
        <source>Write a source, what it moves and how far: wheel cutoff 2 oct, or sine 5 Hz pitch 20 ct by pressure.</source>
        <translation>Eine Quelle schreiben, was sie bewegt und wie weit: Rad Grenze 2 Okt, oder sinus 5 Hz tonhöhe 20 ct mit druck.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be moved.</source>
        <translation>„%1“ lässt sich nicht bewegen.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is left out: a SoundFont knows no sounds on release or by phrase.</source>
        <translation>„%1“ wird weggelassen: ein SoundFont kennt keine Klänge beim Loslassen oder nach Phrasen.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is no note.</source>
        <translation>„%1“ ist keine Note.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is not understood.</source>
        <translation>„%1“ ist nicht zu verstehen.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; moves nothing.</source>
        <translation>„%1“ bewegt nichts.</translation>
    </message>
    <message>
        <source>a border alone</source>
        <translation>eine Grenze allein</translation>
    </message>
    <message>
        <source>a key</source>
        <translation>eine Taste</translation>
    </message>
    <message>
        <source>a loop post to the next place where both sides match</source>
        <translation>ein Looppfosten zur nächsten Stelle, wo beide Seiten passen</translation>
    </message>
    <message>
        <source>a sample lies outside of it</source>
        <translation>ein Sample liegt außerhalb</translation>
    </message>
    <message>
        <source>a zone plays a take that is missing</source>
        <translation>eine Zone spielt einen Take, der fehlt</translation>
    </message>
    <message>
        <source>add recordings as takes</source>
        <translation>Aufnahmen als Takes hinzufügen</translation>
    </message>
    <message>
        <source>after the attack</source>
        <translation>nach dem Anschlag</translation>
    </message>
    <message>
        <source>all passed by</source>
        <translation>alle umgangen</translation>
    </message>
    <message>
        <source>an instrument is missing</source>
        <translation>ein Instrument fehlt</translation>
    </message>
    <message>
        <source>an octave up, down</source>
        <translation>eine Oktave hinauf, hinab</translation>
    </message>
    <message>
        <source>as far as %1 allows</source>
        <translation>so weit, wie %1 erlaubt</translation>
    </message>
    <message>
        <source>as long as both turns have room for</source>
        <translation>so lang, wie beide Wenden Platz haben</translation>
    </message>
    <message>
        <source>as long as the loop itself</source>
        <translation>so lang wie der Loop selbst</translation>
    </message>
    <message>
        <source>as long as the sound before the start</source>
        <translation>so lang wie der Klang vor dem Anfang</translation>
    </message>
    <message>
        <source>attack</source>
        <translation>Anstieg</translation>
    </message>
    <message>
        <source>attack %1</source>
        <translation>Anstieg %1</translation>
    </message>
    <message>
        <source>audible</source>
        <translation>hörbar</translation>
    </message>
    <message>
        <source>audio/%1%2</source>
        <translation>audio/%1%2</translation>
    </message>
    <message>
        <source>back</source>
        <translation>back</translation>
    </message>
    <message>
        <source>bend</source>
        <translation>Biegen</translation>
    </message>
    <message>
        <source>bits</source>
        <translation>bits</translation>
    </message>
    <message>
        <source>blend</source>
        <translation>Blende</translation>
    </message>
    <message>
        <source>bring in</source>
        <translation>hereinholen</translation>
    </message>
    <message>
        <source>by</source>
        <translation>mit</translation>
    </message>
    <message>
        <source>by one millisecond</source>
        <translation>um eine Millisekunde</translation>
    </message>
    <message>
        <source>by one period</source>
        <translation>um eine Periode</translation>
    </message>
    <message>
        <source>chance</source>
        <translation>Zufall</translation>
    </message>
    <message>
        <source>changes colour by %1 dB</source>
        <translation>ändert die Farbe um %1 dB</translation>
    </message>
    <message>
        <source>choose a zone, Shift more, Ctrl+A all</source>
        <translation>eine Zone wählen, Umschalt mehr, Strg+A alle</translation>
    </message>
    <message>
        <source>choose and hear; right: again</source>
        <translation>wählen und hören; rechts: noch einmal</translation>
    </message>
    <message>
        <source>chorus</source>
        <translation>Chorus</translation>
    </message>
    <message>
        <source>claims %1 frames a second, which no recording has</source>
        <translation>behauptet %1 Frames je Sekunde, die keine Aufnahme hat</translation>
    </message>
    <message>
        <source>clicks by %1 dB</source>
        <translation>klickt um %1 dB</translation>
    </message>
    <message>
        <source>common spacing of %1 partials</source>
        <translation>gemeinsamer Abstand von %1 Teiltönen</translation>
    </message>
    <message>
        <source>compressor</source>
        <translation>Kompressor</translation>
    </message>
    <message>
        <source>controller</source>
        <translation>Controller</translation>
    </message>
    <message>
        <source>controller %1</source>
        <translation>Controller %1</translation>
    </message>
    <message>
        <source>crosses</source>
        <translation>crosses</translation>
    </message>
    <message>
        <source>crush</source>
        <translation>Crush</translation>
    </message>
    <message>
        <source>cut %1</source>
        <translation>Schnitt %1</translation>
    </message>
    <message>
        <source>cutoff</source>
        <translation>Grenze</translation>
    </message>
    <message>
        <source>dB</source>
        <translation>dB</translation>
    </message>
    <message>
        <source>damping</source>
        <translation>damping</translation>
    </message>
    <message>
        <source>decay</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>deepens the wave by</source>
        <translation>vertieft die Welle um</translation>
    </message>
    <message>
        <source>delay</source>
        <translation>delay</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>dies away within %1</source>
        <translation>verklingt innerhalb von %1</translation>
    </message>
    <message>
        <source>dips or bumps by %1 dB</source>
        <translation>sinkt oder springt um %1 dB</translation>
    </message>
    <message>
        <source>drive</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>duck</source>
        <translation>Ducken</translation>
    </message>
    <message>
        <source>dwells here while it is loud</source>
        <translation>verweilt hier, solange es laut ist</translation>
    </message>
    <message>
        <source>echo</source>
        <translation>Echo</translation>
    </message>
    <message>
        <source>effect</source>
        <translation>Effekt</translation>
    </message>
    <message>
        <source>end all notes</source>
        <translation>alle Töne beenden</translation>
    </message>
    <message>
        <source>endless</source>
        <translation>endlos</translation>
    </message>
    <message>
        <source>ensemble</source>
        <translation>Ensemble</translation>
    </message>
    <message>
        <source>equaliser</source>
        <translation>Equalizer</translation>
    </message>
    <message>
        <source>every</source>
        <translation>every</translation>
    </message>
    <message>
        <source>explains %1 partials</source>
        <translation>erklärt %1 Teiltöne</translation>
    </message>
    <message>
        <source>explains 1 partial</source>
        <translation>erklärt 1 Teilton</translation>
    </message>
    <message>
        <source>fall</source>
        <translation>fall</translation>
    </message>
    <message>
        <source>few modes hold nearly all of the sound</source>
        <translation>wenige Moden halten fast den ganzen Klang</translation>
    </message>
    <message>
        <source>fewer takes</source>
        <translation>weniger Takes</translation>
    </message>
    <message>
        <source>fine tune by 1 cent; Shift 0.1, Ctrl 10</source>
        <translation>Feinstimmung um 1 Cent; Umschalt 0,1, Strg 10</translation>
    </message>
    <message>
        <source>flanger</source>
        <translation>Flanger</translation>
    </message>
    <message>
        <source>flat</source>
        <translation>flach</translation>
    </message>
    <message>
        <source>fold</source>
        <translation>falten</translation>
    </message>
    <message>
        <source>from the file</source>
        <translation>aus der Datei</translation>
    </message>
    <message>
        <source>from the file&apos;s name</source>
        <translation>aus dem Namen der Datei</translation>
    </message>
    <message>
        <source>gain</source>
        <translation>gain</translation>
    </message>
    <message>
        <source>go to a handle, move it by one frame</source>
        <translation>zu einem Griff gehen, ihn um einen Frame bewegen</translation>
    </message>
    <message>
        <source>go to a stop</source>
        <translation>zu einer Station gehen</translation>
    </message>
    <message>
        <source>grain size</source>
        <translation>Korngröße</translation>
    </message>
    <message>
        <source>hall</source>
        <translation>Halle</translation>
    </message>
    <message>
        <source>hard</source>
        <translation>hart</translation>
    </message>
    <message>
        <source>has nothing in it that repeats for long enough</source>
        <translation>hat nichts in sich, das sich lange genug wiederholt</translation>
    </message>
    <message>
        <source>held by its loop</source>
        <translation>vom Loop gehalten</translation>
    </message>
    <message>
        <source>high</source>
        <translation>hoch</translation>
    </message>
    <message>
        <source>high, evened out</source>
        <translation>hoch, geebnet</translation>
    </message>
    <message>
        <source>highCut</source>
        <translation>highCut</translation>
    </message>
    <message>
        <source>highDb</source>
        <translation>highDb</translation>
    </message>
    <message>
        <source>highHz</source>
        <translation>highHz</translation>
    </message>
    <message>
        <source>highQ</source>
        <translation>highQ</translation>
    </message>
    <message>
        <source>holds samples that are not numbers</source>
        <translation>enthält Samples, die keine Zahlen sind</translation>
    </message>
    <message>
        <source>how it falls with the time held</source>
        <translation>wie er mit der gehaltenen Zeit fällt</translation>
    </message>
    <message>
        <source>how many notes sound</source>
        <translation>wie viele Töne klingen</translation>
    </message>
    <message>
        <source>in between</source>
        <translation>dazwischen</translation>
    </message>
    <message>
        <source>in the seam map: move the cross, loop there</source>
        <translation>in der Nahtkarte: das Kreuz bewegen, dort loopen</translation>
    </message>
    <message>
        <source>is evened out and </source>
        <translation>ist geebnet und </translation>
    </message>
    <message>
        <source>is short and </source>
        <translation>ist kurz und </translation>
    </message>
    <message>
        <source>is too short to loop</source>
        <translation>ist zu kurz zum Loopen</translation>
    </message>
    <message>
        <source>it claims more than can be played</source>
        <translation>es behauptet mehr, als gespielt werden kann</translation>
    </message>
    <message>
        <source>it does not start</source>
        <translation>es startet nicht</translation>
    </message>
    <message>
        <source>it has more zones than can be played</source>
        <translation>es hat mehr Zonen, als gespielt werden können</translation>
    </message>
    <message>
        <source>it has no such preset</source>
        <translation>es hat kein solches Preset</translation>
    </message>
    <message>
        <source>it is a folder</source>
        <translation>es ist ein Ordner</translation>
    </message>
    <message>
        <source>it is not a Pure Tone archive</source>
        <translation>es ist kein Archiv von Pure Tone</translation>
    </message>
    <message>
        <source>it is not connected</source>
        <translation>es ist nicht verbunden</translation>
    </message>
    <message>
        <source>it is silent</source>
        <translation>es ist still</translation>
    </message>
    <message>
        <source>it names no preset</source>
        <translation>es nennt kein Preset</translation>
    </message>
    <message>
        <source>its description cannot be understood</source>
        <translation>seine Beschreibung ist nicht zu verstehen</translation>
    </message>
    <message>
        <source>key</source>
        <translation>Taste</translation>
    </message>
    <message>
        <source>kind</source>
        <translation>kind</translation>
    </message>
    <message>
        <source>knee</source>
        <translation>knee</translation>
    </message>
    <message>
        <source>last steady second</source>
        <translation>letzte ruhige Sekunde</translation>
    </message>
    <message>
        <source>layers that are gone</source>
        <translation>Ebenen, die nicht mehr da sind</translation>
    </message>
    <message>
        <source>left</source>
        <translation>left</translation>
    </message>
    <message>
        <source>lengthens the attack by</source>
        <translation>verlängert den Anstieg um</translation>
    </message>
    <message>
        <source>lengthens the decay by</source>
        <translation>verlängert den Abfall um</translation>
    </message>
    <message>
        <source>lengthens the release by</source>
        <translation>verlängert den Ausklang um</translation>
    </message>
    <message>
        <source>level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>level envelope</source>
        <translation>Pegelhüllkurve</translation>
    </message>
    <message>
        <source>long, living</source>
        <translation>lang, lebendig</translation>
    </message>
    <message>
        <source>loop</source>
        <translation>Loop</translation>
    </message>
    <message>
        <source>low</source>
        <translation>tief</translation>
    </message>
    <message>
        <source>lowCut</source>
        <translation>lowCut</translation>
    </message>
    <message>
        <source>lowDb</source>
        <translation>lowDb</translation>
    </message>
    <message>
        <source>lowHz</source>
        <translation>lowHz</translation>
    </message>
    <message>
        <source>lowQ</source>
        <translation>lowQ</translation>
    </message>
    <message>
        <source>lower rate</source>
        <translation>kleinere Rate</translation>
    </message>
    <message>
        <source>lowest mode of a bar: modes at 1 : 2.76 : 5.4</source>
        <translation>tiefste Mode eines Stabs: Moden bei 1 : 2,76 : 5,4</translation>
    </message>
    <message>
        <source>makes grains longer by</source>
        <translation>macht Körner länger um</translation>
    </message>
    <message>
        <source>makes the place wander by</source>
        <translation>lässt die Stelle wandern um</translation>
    </message>
    <message>
        <source>mix</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>mixed to mono</source>
        <translation>zu Mono gemischt</translation>
    </message>
    <message>
        <source>mod wheel</source>
        <translation>Modrad</translation>
    </message>
    <message>
        <source>moment</source>
        <translation>Moment</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>mono</translation>
    </message>
    <message>
        <source>monoBelow</source>
        <translation>monoBelow</translation>
    </message>
    <message>
        <source>move it, switch it, name it</source>
        <translation>verschieben, schalten, benennen</translation>
    </message>
    <message>
        <source>movement</source>
        <translation>movement</translation>
    </message>
    <message>
        <source>moves an effect&apos;s value by</source>
        <translation>bewegt den Wert eines Effekts um</translation>
    </message>
    <message>
        <source>moves it from side to side by</source>
        <translation>bewegt es von Seite zu Seite um</translation>
    </message>
    <message>
        <source>moves it to the right by</source>
        <translation>bewegt es nach rechts um</translation>
    </message>
    <message>
        <source>moves the %1 by</source>
        <translation>bewegt %1 um</translation>
    </message>
    <message>
        <source>moves the attack by</source>
        <translation>bewegt den Anstieg um</translation>
    </message>
    <message>
        <source>moves the blend by</source>
        <translation>bewegt die Blende um</translation>
    </message>
    <message>
        <source>moves the cutoff by</source>
        <translation>bewegt die Grenze um</translation>
    </message>
    <message>
        <source>moves the decay by</source>
        <translation>bewegt den Abfall um</translation>
    </message>
    <message>
        <source>moves the drive by</source>
        <translation>bewegt die Sättigung um</translation>
    </message>
    <message>
        <source>moves the frozen place by</source>
        <translation>bewegt die eingefrorene Stelle um</translation>
    </message>
    <message>
        <source>moves the grain size by</source>
        <translation>bewegt die Korngröße um</translation>
    </message>
    <message>
        <source>moves the level by</source>
        <translation>bewegt den Pegel um</translation>
    </message>
    <message>
        <source>moves the loop by</source>
        <translation>bewegt den Loop um</translation>
    </message>
    <message>
        <source>moves the pitch by</source>
        <translation>bewegt die Tonhöhe um</translation>
    </message>
    <message>
        <source>moves the release by</source>
        <translation>bewegt den Ausklang um</translation>
    </message>
    <message>
        <source>moves the resonance by</source>
        <translation>bewegt die Resonanz um</translation>
    </message>
    <message>
        <source>moves the scatter by</source>
        <translation>bewegt die Streuung um</translation>
    </message>
    <message>
        <source>moves the start by</source>
        <translation>bewegt den Anfang um</translation>
    </message>
    <message>
        <source>moves the wandering by</source>
        <translation>bewegt das Wandern um</translation>
    </message>
    <message>
        <source>moves the wave&apos;s depth by</source>
        <translation>bewegt die Tiefe der Welle um</translation>
    </message>
    <message>
        <source>moves the wave&apos;s speed by</source>
        <translation>bewegt das Tempo der Welle um</translation>
    </message>
    <message>
        <source>ms</source>
        <translation>ms</translation>
    </message>
    <message>
        <source>never comes back to where it was</source>
        <translation>kommt nie dahin zurück, wo er war</translation>
    </message>
    <message>
        <source>no</source>
        <translation>nein</translation>
    </message>
    <message>
        <source>no clear pitch</source>
        <translation>keine klare Tonhöhe</translation>
    </message>
    <message>
        <source>no keys</source>
        <translation>keine Tasten</translation>
    </message>
    <message>
        <source>no layer plays that key</source>
        <translation>keine Ebene spielt diese Taste</translation>
    </message>
    <message>
        <source>no sound chosen yet</source>
        <translation>noch kein Klang gewählt</translation>
    </message>
    <message>
        <source>no sound yet</source>
        <translation>noch kein Klang</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>nothing plays its key any more</source>
        <translation>nichts spielt seine Taste mehr</translation>
    </message>
    <message>
        <source>oct</source>
        <translation>Okt</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>off, one is ready</source>
        <translation>aus, einer liegt bereit</translation>
    </message>
    <message>
        <source>on a field&apos;s name: back to its usual value</source>
        <translation>auf dem Namen eines Feldes: zurück zum üblichen Wert</translation>
    </message>
    <message>
        <source>on a treatment: choose, switch, remove</source>
        <translation>auf einer Bearbeitung: wählen, schalten, entfernen</translation>
    </message>
    <message>
        <source>on a treatment: move it</source>
        <translation>auf einer Bearbeitung: verschieben</translation>
    </message>
    <message>
        <source>one octave above: odd partials unexplained</source>
        <translation>eine Oktave höher: ungerade Teiltöne unerklärt</translation>
    </message>
    <message>
        <source>one octave below: even partials only</source>
        <translation>eine Oktave tiefer: nur gerade Teiltöne</translation>
    </message>
    <message>
        <source>one octave below: its odd partials are weak</source>
        <translation>eine Oktave tiefer: ihre ungeraden Teiltöne sind schwach</translation>
    </message>
    <message>
        <source>one of %1 notes at once</source>
        <translation>einer von %1 Tönen zugleich</translation>
    </message>
    <message>
        <source>one-shot</source>
        <translation>einmal</translation>
    </message>
    <message>
        <source>open</source>
        <translation>öffnen</translation>
    </message>
    <message>
        <source>open a layer</source>
        <translation>eine Ebene öffnen</translation>
    </message>
    <message>
        <source>opens the cutoff by</source>
        <translation>öffnet die Grenze um</translation>
    </message>
    <message>
        <source>permission is denied</source>
        <translation>keine Berechtigung</translation>
    </message>
    <message>
        <source>phaser</source>
        <translation>Phaser</translation>
    </message>
    <message>
        <source>pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>place in the room</source>
        <translation>Stelle im Raum</translation>
    </message>
    <message>
        <source>plate</source>
        <translation>Platte</translation>
    </message>
    <message>
        <source>play notes</source>
        <translation>Töne spielen</translation>
    </message>
    <message>
        <source>play the root key</source>
        <translation>den Grundton spielen</translation>
    </message>
    <message>
        <source>preDelay</source>
        <translation>preDelay</translation>
    </message>
    <message>
        <source>pressure</source>
        <translation>Druck</translation>
    </message>
    <message>
        <source>principal mode of a kettledrum: modes at 1 : 1.5 : 2</source>
        <translation>Hauptmode einer Pauke: Moden bei 1 : 1,5 : 2</translation>
    </message>
    <message>
        <source>pulses by %1 dB once a round</source>
        <translation>pulsiert um %1 dB einmal je Runde</translation>
    </message>
    <message>
        <source>put it back</source>
        <translation>zurücklegen</translation>
    </message>
    <message>
        <source>quiet</source>
        <translation>quiet</translation>
    </message>
    <message>
        <source>raises an effect&apos;s value by</source>
        <translation>hebt den Wert eines Effekts um</translation>
    </message>
    <message>
        <source>raises the %1 by</source>
        <translation>hebt %1 um</translation>
    </message>
    <message>
        <source>raises the drive by</source>
        <translation>hebt die Sättigung um</translation>
    </message>
    <message>
        <source>raises the level by</source>
        <translation>hebt den Pegel um</translation>
    </message>
    <message>
        <source>raises the pitch by</source>
        <translation>hebt die Tonhöhe um</translation>
    </message>
    <message>
        <source>raises the resonance by</source>
        <translation>hebt die Resonanz um</translation>
    </message>
    <message>
        <source>rate</source>
        <translation>rate</translation>
    </message>
    <message>
        <source>ratio</source>
        <translation>ratio</translation>
    </message>
    <message>
        <source>record: open the recorder, start, stop</source>
        <translation>aufnehmen: Recorder öffnen, starten, anhalten</translation>
    </message>
    <message>
        <source>redo</source>
        <translation>wiederholen</translation>
    </message>
    <message>
        <source>release</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>release touch</source>
        <translation>Loslassanschlag</translation>
    </message>
    <message>
        <source>resonance</source>
        <translation>Resonanz</translation>
    </message>
    <message>
        <source>reverb</source>
        <translation>Hall</translation>
    </message>
    <message>
        <source>right</source>
        <translation>right</translation>
    </message>
    <message>
        <source>ring</source>
        <translation>Ring</translation>
    </message>
    <message>
        <source>role</source>
        <translation>role</translation>
    </message>
    <message>
        <source>room</source>
        <translation>Raum</translation>
    </message>
    <message>
        <source>root key an octave up, down</source>
        <translation>Grundton eine Oktave hinauf, hinab</translation>
    </message>
    <message>
        <source>runs there and back and </source>
        <translation>läuft hin und zurück und </translation>
    </message>
    <message>
        <source>save</source>
        <translation>sichern</translation>
    </message>
    <message>
        <source>scatter</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <source>scatters the place by</source>
        <translation>streut die Stelle um</translation>
    </message>
    <message>
        <source>seamless</source>
        <translation>nahtlos</translation>
    </message>
    <message>
        <source>second envelope</source>
        <translation>Zweite Hüllkurve</translation>
    </message>
    <message>
        <source>settings</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>settles here at the end</source>
        <translation>kommt hier am Ende zur Ruhe</translation>
    </message>
    <message>
        <source>shakes the level by</source>
        <translation>rüttelt den Pegel um</translation>
    </message>
    <message>
        <source>shape</source>
        <translation>shape</translation>
    </message>
    <message>
        <source>shelfDb</source>
        <translation>shelfDb</translation>
    </message>
    <message>
        <source>shelfHz</source>
        <translation>shelfHz</translation>
    </message>
    <message>
        <source>short, steady</source>
        <translation>kurz, ruhig</translation>
    </message>
    <message>
        <source>shorter sounds</source>
        <translation>kürzere Klänge</translation>
    </message>
    <message>
        <source>sides</source>
        <translation>sides</translation>
    </message>
    <message>
        <source>sine</source>
        <translation>Sinus</translation>
    </message>
    <message>
        <source>size</source>
        <translation>size</translation>
    </message>
    <message>
        <source>sounds without a loop end after %1 s</source>
        <translation>Klänge ohne Loop enden nach %1 s</translation>
    </message>
    <message>
        <source>space</source>
        <translation>Raum</translation>
    </message>
    <message>
        <source>speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>speeds the wave up by</source>
        <translation>macht die Welle schneller um</translation>
    </message>
    <message>
        <source>square</source>
        <translation>Rechteck</translation>
    </message>
    <message>
        <source>st</source>
        <translation>HT</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>starts anew at the joint by %1 dB</source>
        <translation>setzt an der Naht um %1 dB neu an</translation>
    </message>
    <message>
        <source>steadiest here, from %1 to %2</source>
        <translation>hier am ruhigsten, von %1 bis %2</translation>
    </message>
    <message>
        <source>steps in level by %1 dB</source>
        <translation>springt im Pegel um %1 dB</translation>
    </message>
    <message>
        <source>strike note of a bell: hum, tierce and nominal are there</source>
        <translation>Schlagton einer Glocke: Unterton, Terz und Oberoktave sind da</translation>
    </message>
    <message>
        <source>take zones off their keys</source>
        <translation>Zonen von ihren Tasten nehmen</translation>
    </message>
    <message>
        <source>tape-like</source>
        <translation>bandartig</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation>tempo</translation>
    </message>
    <message>
        <source>ten times finer, without snapping</source>
        <translation>zehnmal feiner, ohne Einrasten</translation>
    </message>
    <message>
        <source>the archive</source>
        <translation>das Archiv</translation>
    </message>
    <message>
        <source>the archive could not be begun</source>
        <translation>das Archiv ließ sich nicht beginnen</translation>
    </message>
    <message>
        <source>the audio of %1 was changed</source>
        <translation>der Klang von %1 wurde geändert</translation>
    </message>
    <message>
        <source>the bank</source>
        <translation>die Bank</translation>
    </message>
    <message>
        <source>the channels</source>
        <translation>die Zahl der Kanäle</translation>
    </message>
    <message>
        <source>the choke group</source>
        <translation>die Abbruchgruppe</translation>
    </message>
    <message>
        <source>the crossovers</source>
        <translation>der Übergang</translation>
    </message>
    <message>
        <source>the disk is full</source>
        <translation>der Datenträger ist voll</translation>
    </message>
    <message>
        <source>the disk is read-only</source>
        <translation>der Datenträger ist schreibgeschützt</translation>
    </message>
    <message>
        <source>the envelope</source>
        <translation>die Hüllkurve</translation>
    </message>
    <message>
        <source>the file</source>
        <translation>die Datei</translation>
    </message>
    <message>
        <source>the filter</source>
        <translation>der Filter</translation>
    </message>
    <message>
        <source>the instrument</source>
        <translation>das Instrument</translation>
    </message>
    <message>
        <source>the key range</source>
        <translation>der Tastenbereich</translation>
    </message>
    <message>
        <source>the length</source>
        <translation>die Länge</translation>
    </message>
    <message>
        <source>the level</source>
        <translation>der Pegel</translation>
    </message>
    <message>
        <source>the loop</source>
        <translation>der Loop</translation>
    </message>
    <message>
        <source>the lowest of %1 notes at once</source>
        <translation>der tiefste von %1 Tönen zugleich</translation>
    </message>
    <message>
        <source>the lowest partial</source>
        <translation>der tiefste Teilton</translation>
    </message>
    <message>
        <source>the middle of where it wanders</source>
        <translation>die Mitte dessen, wo er wandert</translation>
    </message>
    <message>
        <source>the number of zones</source>
        <translation>die Zahl der Zonen</translation>
    </message>
    <message>
        <source>the place left or right</source>
        <translation>der Ort links oder rechts</translation>
    </message>
    <message>
        <source>the reach of the wheel</source>
        <translation>die Reichweite des Rads</translation>
    </message>
    <message>
        <source>the shelf: a folder of sounds</source>
        <translation>das Regal: ein Ordner voller Klänge</translation>
    </message>
    <message>
        <source>the slow wave</source>
        <translation>die langsame Welle</translation>
    </message>
    <message>
        <source>the sound</source>
        <translation>der Klang</translation>
    </message>
    <message>
        <source>the strongest mode</source>
        <translation>die stärkste Mode</translation>
    </message>
    <message>
        <source>the strongest partial</source>
        <translation>der stärkste Teilton</translation>
    </message>
    <message>
        <source>the text</source>
        <translation>der Text</translation>
    </message>
    <message>
        <source>the tuning</source>
        <translation>die Stimmung</translation>
    </message>
    <message>
        <source>the turns</source>
        <translation>der Wechsel</translation>
    </message>
    <message>
        <source>the wave repeats at this pitch</source>
        <translation>die Welle wiederholt sich bei dieser Tonhöhe</translation>
    </message>
    <message>
        <source>the wave repeats at this pitch now and then</source>
        <translation>die Welle wiederholt sich hin und wieder bei dieser Tonhöhe</translation>
    </message>
    <message>
        <source>the way the loop goes</source>
        <translation>der Weg des Loops</translation>
    </message>
    <message>
        <source>there and back</source>
        <translation>hin und zurück</translation>
    </message>
    <message>
        <source>there is no such file or folder</source>
        <translation>es gibt keine solche Datei und keinen solchen Ordner</translation>
    </message>
    <message>
        <source>this list</source>
        <translation>diese Liste</translation>
    </message>
    <message>
        <source>those of one root sound by touch</source>
        <translation>die mit gleichem Grundton klingen nach Anschlag</translation>
    </message>
    <message>
        <source>those of one root sound by touch, as their names say</source>
        <translation>die mit gleichem Grundton klingen nach Anschlag, wie ihre Namen sagen</translation>
    </message>
    <message>
        <source>those of one root sound by touch, their levels %1 apart or more</source>
        <translation>die mit gleichem Grundton klingen nach Anschlag, ihre Pegel liegen %1 oder mehr auseinander</translation>
    </message>
    <message>
        <source>those of one root sound in turn</source>
        <translation>die mit gleichem Grundton klingen abwechselnd</translation>
    </message>
    <message>
        <source>threshold</source>
        <translation>threshold</translation>
    </message>
    <message>
        <source>tone</source>
        <translation>tone</translation>
    </message>
    <message>
        <source>touch</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>tremolo</source>
        <translation>Tremolo</translation>
    </message>
    <message>
        <source>triangle</source>
        <translation>Dreieck</translation>
    </message>
    <message>
        <source>tuning</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>tuning and loop</source>
        <translation>Stimmung und Loop</translation>
    </message>
    <message>
        <source>turn</source>
        <translation>Wechsel</translation>
    </message>
    <message>
        <source>two octaves above: most partials unexplained</source>
        <translation>zwei Oktaven höher: die meisten Teiltöne unerklärt</translation>
    </message>
    <message>
        <source>two of its layers are the same one</source>
        <translation>zwei seiner Ebenen sind dieselbe</translation>
    </message>
    <message>
        <source>two of its takes are the same one</source>
        <translation>zwei seiner Takes sind derselbe</translation>
    </message>
    <message>
        <source>two of its zones are the same one</source>
        <translation>zwei seiner Zonen sind dieselbe</translation>
    </message>
    <message>
        <source>undo</source>
        <translation>rückgängig</translation>
    </message>
    <message>
        <source>wander</source>
        <translation>wander</translation>
    </message>
    <message>
        <source>wandering</source>
        <translation>Wandern</translation>
    </message>
    <message>
        <source>was cut off: its end is missing</source>
        <translation>wurde abgeschnitten: das Ende fehlt</translation>
    </message>
    <message>
        <source>wave</source>
        <translation>Welle</translation>
    </message>
    <message>
        <source>what controllers move</source>
        <translation>was Controller bewegen</translation>
    </message>
    <message>
        <source>what the take as a whole repeats at</source>
        <translation>wobei sich der Take im Ganzen wiederholt</translation>
    </message>
    <message>
        <source>what touch does</source>
        <translation>was der Anschlag tut</translation>
    </message>
    <message>
        <source>when it sounds</source>
        <translation>wann es klingt</translation>
    </message>
    <message>
        <source>whole swings</source>
        <translation>ganze Schwingungen</translation>
    </message>
    <message>
        <source>width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>without a loop: it ends with the recording</source>
        <translation>ohne Loop: er endet mit der Aufnahme</translation>
    </message>
    <message>
        <source>yes</source>
        <translation>ja</translation>
    </message>
    <message>
        <source>zoom</source>
        <translation>vergrößern</translation>
    </message>
    <message>
        <source>%1 includes itself</source>
        <translation>%1 schließt sich selbst ein</translation>
    </message>
    <message>
        <source>it has too many files inside each other</source>
        <translation>es hat zu viele Dateien ineinander</translation>
    </message>
    <message>
        <source>it is too long for a text</source>
        <translation>es ist zu lang für einen Text</translation>
    </message>
    <message>
        <source>Simulated keyboard</source>
        <translation>Simulierte Tastatur</translation>
    </message>
    <message>
        <source>Simulated microphone</source>
        <translation>Simuliertes Mikrofon</translation>
    </message>
    <message>
        <source>Simulated output</source>
        <translation>Simulierte Ausgabe</translation>
    </message>
    <message>
        <source> touch %1</source>
        <translation> Anschlag %1</translation>
    </message>
    <message>
        <source>%1 has gone: what was recorded until then is kept.</source>
        <translation>%1 ist verschwunden: was bis dahin aufgenommen wurde, bleibt.</translation>
    </message>
    <message>
        <source>%1 is an instrument: it is opened by itself, not as a take.</source>
        <translation>%1 ist ein Instrument: es wird für sich geöffnet, nicht als Take.</translation>
    </message>
    <message>
        <source>-60 to 0 dB</source>
        <translation>-60 bis 0 dB</translation>
    </message>
    <message>
        <source>20 Hz to 20 kHz</source>
        <translation>20 Hz bis 20 kHz</translation>
    </message>
    <message>
        <source>Close other programs, or take a shorter recording.</source>
        <translation>Andere Programme schließen, oder eine kürzere Aufnahme nehmen.</translation>
    </message>
    <message>
        <source>Print %1</source>
        <translation>Druck %1</translation>
    </message>
    <message>
        <source>Pure Tone met a fault of its own and left that undone (%1).</source>
        <translation>Pure Tone ist auf einen eigenen Fehler gestoßen und hat das gelassen (%1).</translation>
    </message>
    <message>
        <source>Pure Tone met a fault of its own and left that undone.</source>
        <translation>Pure Tone ist auf einen eigenen Fehler gestoßen und hat das gelassen.</translation>
    </message>
    <message>
        <source>There was not enough memory for that; nothing was changed.</source>
        <translation>Dafür war nicht genug Speicher da; nichts wurde geändert.</translation>
    </message>
    <message>
        <source>Use Open for it.</source>
        <translation>Dafür Öffnen verwenden.</translation>
    </message>
    <message>
        <source>Writing was cancelled.</source>
        <translation>Schreiben wurde abgebrochen.</translation>
    </message>
    <message>
        <source>Your instrument is as it was; save it before you try again.</source>
        <translation>Das Instrument ist, wie es war; vor dem nächsten Versuch sichern.</translation>
    </message>
    <message>
        <source>clear</source>
        <translation>klar</translation>
    </message>
    <message>
        <source>harmonic</source>
        <translation>harmonisch</translation>
    </message>
    <message>
        <source>inharmonic</source>
        <translation>inharmonisch</translation>
    </message>
    <message>
        <source>percussive</source>
        <translation>perkussiv</translation>
    </message>
    <message>
        <source>print %1</source>
        <translation>druck %1</translation>
    </message>
    <message>
        <source>there is no sound yet</source>
        <translation>noch gibt es keinen Klang</translation>
    </message>
    <message>
        <source>uncertain</source>
        <translation>unsicher</translation>
    </message>
    <message>
        <source>unpitched</source>
        <translation>ohne Tonhöhe</translation>
    </message>
    <message>
        <source>strike note of a chime: modes at 2 : 3 : 4 above it</source>
        <translation>Schlagton einer Röhrenglocke: Moden bei 2 : 3 : 4 darüber</translation>
    </message>
    <message>
        <source>Detuned</source>
        <translation>Verstimmt</translation>
    </message>
    <message>
        <source>Octave down</source>
        <translation>Oktave tiefer</translation>
    </message>
    <message>
        <source>Octave up</source>
        <translation>Oktave höher</translation>
    </message>
    <message>
        <source>Reversed</source>
        <translation>Rückwärts</translation>
    </message>
    <message>
        <source>A drum: each hit is gone within %1.</source>
        <translation>Eine Trommel: jeder Schlag ist nach %1 vorbei.</translation>
    </message>
    <message>
        <source>held in its moment</source>
        <translation>in seinem Moment gehalten</translation>
    </message>
    <message>
        <source>Slow drift of pitch</source>
        <translation>Langsame Drift der Tonhöhe</translation>
    </message>
    <message>
        <source>Touch to level</source>
        <translation>Anschlag auf Pegel</translation>
    </message>
    <message>
        <source>Vibrato after half a second</source>
        <translation>Vibrato nach einer halben Sekunde</translation>
    </message>
    <message>
        <source>Wheel plays the loudness</source>
        <translation>Rad spielt die Lautstärke</translation>
    </message>
    <message>
        <source>Wheel to cutoff</source>
        <translation>Rad auf Grenze</translation>
    </message>
    <message>
        <source>aftertouch</source>
        <translation>aftertouch</translation>
    </message>
    <message>
        <source>allows</source>
        <translation>erlaubt</translation>
    </message>
    <message>
        <source>as far as</source>
        <translation>so weit wie</translation>
    </message>
    <message>
        <source>bar</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>bars</source>
        <translation>Takte</translation>
    </message>
    <message>
        <source>beat</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>beats</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>cc</source>
        <translation>cc</translation>
    </message>
    <message>
        <source>cents</source>
        <translation>Cent</translation>
    </message>
    <message>
        <source>ct</source>
        <translation>ct</translation>
    </message>
    <message>
        <source>db</source>
        <translation>db</translation>
    </message>
    <message>
        <source>drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>envelope</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>filter</source>
        <translation>Filter</translation>
    </message>
    <message>
        <source>grains</source>
        <translation>Körner</translation>
    </message>
    <message>
        <source>hz</source>
        <translation>hz</translation>
    </message>
    <message>
        <source>keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>lfo</source>
        <translation>LFO</translation>
    </message>
    <message>
        <source>loudness</source>
        <translation>Lautstärke</translation>
    </message>
    <message>
        <source>modwheel</source>
        <translation>Modrad</translation>
    </message>
    <message>
        <source>moves</source>
        <translation>bewegt</translation>
    </message>
    <message>
        <source>octave</source>
        <translation>Oktave</translation>
    </message>
    <message>
        <source>octaves</source>
        <translation>Oktaven</translation>
    </message>
    <message>
        <source>opens</source>
        <translation>öffnet</translation>
    </message>
    <message>
        <source>pan</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>percent</source>
        <translation>Prozent</translation>
    </message>
    <message>
        <source>place</source>
        <translation>Stelle</translation>
    </message>
    <message>
        <source>plays</source>
        <translation>spielt</translation>
    </message>
    <message>
        <source>raises</source>
        <translation>hebt</translation>
    </message>
    <message>
        <source>random</source>
        <translation>zufällig</translation>
    </message>
    <message>
        <source>release velocity</source>
        <translation>Loslasstempo</translation>
    </message>
    <message>
        <source>saw</source>
        <translation>Säge</translation>
    </message>
    <message>
        <source>saw down</source>
        <translation>Säge ab</translation>
    </message>
    <message>
        <source>saw up</source>
        <translation>Säge auf</translation>
    </message>
    <message>
        <source>semitone</source>
        <translation>Halbton</translation>
    </message>
    <message>
        <source>semitones</source>
        <translation>Halbtöne</translation>
    </message>
    <message>
        <source>shake</source>
        <translation>Rütteln</translation>
    </message>
    <message>
        <source>steps</source>
        <translation>Stufen</translation>
    </message>
    <message>
        <source>the</source>
        <translation>die</translation>
    </message>
    <message>
        <source>velocity</source>
        <translation>Velocity</translation>
    </message>
    <message>
        <source>volume</source>
        <translation>Volumen</translation>
    </message>
    <message>
        <source>wheel</source>
        <translation>Rad</translation>
    </message>
    <message>
        <source>A layer that blends stays one: the blend would go from sound to sound.</source>
        <translation>Eine Ebene, die überblendet, bleibt eine: Die Blende ginge sonst von Klang zu Klang.</translation>
    </message>
    <message>
        <source>It plays one sound, or sounds that take turns on their keys.</source>
        <translation>Sie spielt einen Klang, oder Klänge, die sich auf ihren Tasten abwechseln.</translation>
    </message>
    <message>
        <source>There is no room for %1 layers.</source>
        <translation>Für %1 Ebenen ist kein Platz.</translation>
    </message>
    <message>
        <source>There is no such layer.</source>
        <translation>Diese Ebene gibt es nicht.</translation>
    </message>
    <message>
        <source>%1, drums or noises, in turn on every key, without following them</source>
        <translation>%1, Trommeln oder Geräusche, abwechselnd auf jeder Taste, ohne ihnen zu folgen</translation>
    </message>
    <message>
        <source>%1, drums or noises, on single keys in a row</source>
        <translation>%1, Trommeln oder Geräusche, auf einzelnen Tasten in Reihe</translation>
    </message>
    <message>
        <source>%1 was not written: a SoundFont has no room for so many zones (%2).</source>
        <translation>%1 wurde nicht geschrieben: Ein SoundFont hat nicht Platz für so viele Zonen (%2).</translation>
    </message>
    <message>
        <source>Write SFZ, or take zones away.</source>
        <translation>Schreiben Sie SFZ, oder nehmen Sie Zonen weg.</translation>
    </message>
</context>
<context>
    <name>puretone::app::ArrivingView</name>
    <message>
        <source>Wave of the file that is being read</source>
        <translation>Welle der Datei, die gelesen wird</translation>
    </message>
    <message>
        <source>Reading %1: %2 %</source>
        <translation>%1 wird gelesen: %2 %</translation>
    </message>
    <message>
        <source>Listening to %1</source>
        <translation>%1 wird angehört</translation>
    </message>
</context>
<context>
    <name>puretone::app::BeatView</name>
    <message>
        <source>Beating</source>
        <translation>Schwebung</translation>
    </message>
    <message>
        <source>Two seconds of the take beside the tone: even strokes stand still</source>
        <translation>Zwei Sekunden des Takes neben dem Ton: gleichmäßige Striche stehen still</translation>
    </message>
</context>
<context>
    <name>puretone::app::CandidateRow</name>
    <message>
        <source>Loop candidates</source>
        <translation>Loopkandidaten</translation>
    </message>
    <message>
        <source>Loops that were found, the best first; click one to hear it</source>
        <translation>Gefundene Loops, die besten zuerst; anklicken, um einen zu hören</translation>
    </message>
    <message>
        <source>No candidates yet</source>
        <translation>Noch keine Kandidaten</translation>
    </message>
    <message>
        <source>%1: %2.</source>
        <translation>%1: %2.</translation>
    </message>
    <message>
        <source>holds %1 dB</source>
        <translation>hält %1 dB</translation>
    </message>
</context>
<context>
    <name>puretone::app::ChainView</name>
    <message>
        <source>notes</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>Add an effect…</source>
        <translation>Effekt hinzufügen…</translation>
    </message>
    <message>
        <source>Choose one of the effects, or a ready chain</source>
        <translation>Einen der Effekte wählen oder eine fertige Kette</translation>
    </message>
    <message>
        <source>Or begin with a chain named after a place around the light:</source>
        <translation>Oder mit einer Kette beginnen, die nach einem Ort rund um das Feuer heißt:</translation>
    </message>
</context>
<context>
    <name>puretone::app::ChoiceList</name>
    <message>
        <source>Candidate notes</source>
        <translation>Mögliche Noten</translation>
    </message>
    <message>
        <source>Notes that this may be; click one to take it</source>
        <translation>Noten, die dies sein kann; anklicken, um eine zu nehmen</translation>
    </message>
    <message>
        <source>No note to offer: set the root key by ear</source>
        <translation>Keine Note anzubieten: den Grundton nach Gehör setzen</translation>
    </message>
</context>
<context>
    <name>puretone::app::CutoffView</name>
    <message>
        <source>Filter over the spectrum</source>
        <translation>Filter über dem Spektrum</translation>
    </message>
    <message>
        <source>Drag the handle: across for the cutoff, up and down for the resonance</source>
        <translation>Den Griff ziehen: quer für die Grenze, auf und ab für die Resonanz</translation>
    </message>
    <message>
        <source>cutoff %1 at %2</source>
        <translation>Grenze %1 bei %2</translation>
    </message>
    <message>
        <source>cutoff %1</source>
        <translation>Grenze %1</translation>
    </message>
    <message>
        <source>no filter: drag the handle to the left for a low one</source>
        <translation>kein Filter: den Griff nach links ziehen für einen tiefen</translation>
    </message>
    <message>
        <source>, now %1</source>
        <translation>, jetzt %1</translation>
    </message>
    <message>
        <source>Move cutoff</source>
        <translation>Grenzfrequenz verschieben</translation>
    </message>
</context>
<context>
    <name>puretone::app::DevicePanel</name>
    <message>
        <source>Audio output</source>
        <translation>Tonausgabe</translation>
    </message>
    <message>
        <source>Where the instrument is heard</source>
        <translation>Wo das Instrument zu hören ist</translation>
    </message>
    <message>
        <source>Limiter: peaks stay below full scale</source>
        <translation>Limiter: Spitzen bleiben unter Vollaussteuerung</translation>
    </message>
    <message>
        <source>Holds what is heard below −0.3 dB, and is 1.5 ms late for that. Files are not changed.</source>
        <translation>Hält, was zu hören ist, unter −0,3 dB und ist dafür 1,5 ms später. Dateien ändert das nicht.</translation>
    </message>
    <message>
        <source>Microphone</source>
        <translation>Mikrofon</translation>
    </message>
    <message>
        <source>Heard here as a level; recording comes from it</source>
        <translation>Hier als Pegel zu sehen; Aufnahmen kommen daher</translation>
    </message>
    <message>
        <source>Microphone level</source>
        <translation>Mikrofonpegel</translation>
    </message>
    <message>
        <source>MIDI keyboard</source>
        <translation>MIDI-Tastatur</translation>
    </message>
    <message>
        <source>Its keys play the instrument</source>
        <translation>Ihre Tasten spielen das Instrument</translation>
    </message>
    <message>
        <source>Each key bends by itself (MPE)</source>
        <translation>Jede Taste biegt für sich (MPE)</translation>
    </message>
    <message>
        <source>For keyboards that send every key on a MIDI channel of its own</source>
        <translation>Für Tastaturen, die jede Taste auf einem eigenen MIDI-Kanal senden</translation>
    </message>
    <message>
        <source>Let it play a phrase</source>
        <translation>Eine Phrase spielen lassen</translation>
    </message>
    <message>
        <source>Five notes from the simulated keyboard</source>
        <translation>Fünf Töne von der simulierten Tastatur</translation>
    </message>
    <message>
        <source>Frames a second; the device&apos;s own where it cannot</source>
        <translation>Frames je Sekunde; die eigene des Geräts, wo es das nicht kann</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>its own rate</source>
        <translation>seine eigene</translation>
    </message>
    <message>
        <source>%1 Hz</source>
        <translation>%1 Hz</translation>
    </message>
    <message>
        <source>Short blocks answer sooner, long ones drop out less</source>
        <translation>Kurze Blöcke antworten früher, lange setzen seltener aus</translation>
    </message>
    <message>
        <source>Block</source>
        <translation>Block</translation>
    </message>
    <message>
        <source>%1 frames</source>
        <translation>%1 Frames</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>No drop-outs</source>
        <translation>Keine Aussetzer</translation>
    </message>
    <message>
        <source>1 drop-out: longer blocks help</source>
        <translation>1 Aussetzer: längere Blöcke helfen</translation>
    </message>
    <message>
        <source>%1 drop-outs: longer blocks help</source>
        <translation>%1 Aussetzer: längere Blöcke helfen</translation>
    </message>
</context>
<context>
    <name>puretone::app::EffectCard</name>
    <message>
        <source>mix</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>%1. Drag it to another place; Ctrl with an arrow moves it, Del removes it.</source>
        <translation>%1. An einen anderen Platz ziehen; Strg mit Pfeil verschiebt, Entf entfernt.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>%1 on</source>
        <translation>%1 an</translation>
    </message>
    <message>
        <source>On: click to pass it by</source>
        <translation>An: anklicken, um ihn zu umgehen</translation>
    </message>
    <message>
        <source>Passed by: click to hear it</source>
        <translation>Umgangen: anklicken, um ihn zu hören</translation>
    </message>
    <message>
        <source>%1 mix</source>
        <translation>Anteil von %1</translation>
    </message>
</context>
<context>
    <name>puretone::app::EffectPanel</name>
    <message>
        <source>Choose a sound…</source>
        <translation>Klang wählen…</translation>
    </message>
    <message>
        <source>An impulse response: a clap or a burst as a room answers it</source>
        <translation>Eine Impulsantwort: ein Klatschen oder Knall, wie ein Raum darauf antwortet</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Ctrl+Left: one place nearer to the notes</source>
        <translation>Strg+Links: einen Platz näher zu den Tönen</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Ctrl+Right: one place nearer to the end</source>
        <translation>Strg+Rechts: einen Platz näher zum Ende</translation>
    </message>
    <message>
        <source>Move by…</source>
        <translation>Bewegen durch…</translation>
    </message>
    <message>
        <source>Lets the wheel, a pedal, a wave or the touch move one of its values</source>
        <translation>Lässt Rad, Pedal, Welle oder Anschlag einen seiner Werte bewegen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Takes it out of the chain; what still rings, rings on</source>
        <translation>Nimmt ihn aus der Kette; was noch nachklingt, klingt weiter</translation>
    </message>
    <message>
        <source>Change %1</source>
        <translation>%1 ändern</translation>
    </message>
    <message>
        <source>Change equaliser</source>
        <translation>Equalizer ändern</translation>
    </message>
    <message>
        <source>Add an effect, or begin with one of the ready chains: they are named after places around the light.</source>
        <translation>Einen Effekt hinzufügen oder mit einer fertigen Kette beginnen: sie heißen nach Orten rund um das Feuer.</translation>
    </message>
    <message>
        <source>Click an effect to see its values.</source>
        <translation>Einen Effekt anklicken, um seine Werte zu sehen.</translation>
    </message>
    <message>
        <source>Choose an impulse response</source>
        <translation>Impulsantwort wählen</translation>
    </message>
    <message>
        <source>%1 is silent: it makes no space.</source>
        <translation>%1 ist still: das ergibt keinen Raum.</translation>
    </message>
    <message>
        <source>Choose a space</source>
        <translation>Raum wählen</translation>
    </message>
    <message>
        <source>Only the first %1 seconds of it are heard.</source>
        <translation>Nur die ersten %1 Sekunden davon sind zu hören.</translation>
    </message>
    <message>
        <source>Add movement</source>
        <translation>Bewegung hinzufügen</translation>
    </message>
    <message>
        <source>. It stands among the movements of %1, at Shape.</source>
        <translation>. Sie steht bei den Bewegungen von %1, unter Form.</translation>
    </message>
</context>
<context>
    <name>puretone::app::EffectsStop</name>
    <message>
        <source>Effects</source>
        <translation>Effekte</translation>
    </message>
    <message>
        <source>Print onto this take</source>
        <translation>Auf diesen Take drucken</translation>
    </message>
    <message>
        <source>Makes the effects that are on part of the take on screen, as a treatment that can be switched off and taken away</source>
        <translation>Macht die eingeschalteten Effekte zu einem Teil des Takes auf dem Bildschirm, als Bearbeitung, die sich ausschalten und entfernen lässt</translation>
    </message>
    <message>
        <source>Limiter</source>
        <translation>Limiter</translation>
    </message>
    <message>
        <source>Always last: nothing passes its ceiling, also between samples</source>
        <translation>Immer zuletzt: nichts übersteigt seine Decke, auch nicht zwischen Samples</translation>
    </message>
    <message>
        <source>Layers through the effects</source>
        <translation>Ebenen durch die Effekte</translation>
    </message>
    <message>
        <source>Switch effect</source>
        <translation>Effekt schalten</translation>
    </message>
    <message>
        <source>Change mix</source>
        <translation>Anteil ändern</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>Use %1</source>
        <translation>%1 verwenden</translation>
    </message>
    <message>
        <source>%1: %2. Undo brings back the chain that was there.</source>
        <translation>%1: %2. Rückgängig holt die vorige Kette zurück.</translation>
    </message>
    <message>
        <source>Move effect</source>
        <translation>Effekt verschieben</translation>
    </message>
    <message>
        <source>Remove %1</source>
        <translation>%1 entfernen</translation>
    </message>
    <message>
        <source>There is no effect that is on and no space.</source>
        <translation>Kein Effekt ist eingeschaltet, der kein Raum ist.</translation>
    </message>
    <message>
        <source>Print onto the take</source>
        <translation>Auf den Take drucken</translation>
    </message>
    <message>
        <source>The effects are part of the take now, but for the space: print a take to have that, too.</source>
        <translation>Die Effekte sind jetzt Teil des Takes, bis auf den Raum: einen Take drucken, um auch ihn zu haben.</translation>
    </message>
    <message>
        <source>The effects are part of the take now, and passed by here.</source>
        <translation>Die Effekte sind jetzt Teil des Takes und hier umgangen.</translation>
    </message>
    <message>
        <source>ceiling %1 dB, never passed</source>
        <translation>Decke %1 dB, nie überschritten</translation>
    </message>
    <message>
        <source>off: nothing holds back what is too loud</source>
        <translation>aus: nichts hält zurück, was zu laut ist</translation>
    </message>
    <message>
        <source>; now holding back %1 dB</source>
        <translation>; hält jetzt %1 dB zurück</translation>
    </message>
    <message>
        <source>How much of this layer goes through the chain; the rest goes past it</source>
        <translation>Wie viel dieser Ebene durch die Kette geht; der Rest geht daran vorbei</translation>
    </message>
    <message>
        <source>Change amount to effects</source>
        <translation>Anteil an Effekten ändern</translation>
    </message>
</context>
<context>
    <name>puretone::app::EnvelopeView</name>
    <message>
        <source>delay</source>
        <translation>Verzögerung</translation>
    </message>
    <message>
        <source>attack</source>
        <translation>Anstieg</translation>
    </message>
    <message>
        <source>hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>decay and sustain</source>
        <translation>Abfall und Haltepegel</translation>
    </message>
    <message>
        <source>release</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>attack&apos;s curve</source>
        <translation>Kurve des Anstiegs</translation>
    </message>
    <message>
        <source>decay&apos;s curve</source>
        <translation>Kurve des Abfalls</translation>
    </message>
    <message>
        <source>release&apos;s curve</source>
        <translation>Kurve des Ausklangs</translation>
    </message>
    <message>
        <source>silent</source>
        <translation>still</translation>
    </message>
    <message>
        <source>%1, sustain %2</source>
        <translation>%1, Haltepegel %2</translation>
    </message>
    <message>
        <source>decay</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>sustain %1</source>
        <translation>Haltepegel %1</translation>
    </message>
    <message>
        <source>Envelope</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>no note to show</source>
        <translation>kein Ton zu zeigen</translation>
    </message>
    <message>
        <source>as key %1 sounds</source>
        <translation>wie Taste %1 klingt</translation>
    </message>
    <message>
        <source>key let go</source>
        <translation>Taste losgelassen</translation>
    </message>
    <message>
        <source>Change %1</source>
        <translation>%1 ändern</translation>
    </message>
    <message>
        <source>Straighten slope</source>
        <translation>Hang begradigen</translation>
    </message>
</context>
<context>
    <name>puretone::app::ExportFields</name>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Any player</source>
        <translation>Jeder Player</translation>
    </message>
    <message>
        <source>The instrument, SFZ, a SoundFont and WAV files, as they are usually written</source>
        <translation>Das Instrument, SFZ, ein SoundFont und WAV-Dateien, wie sie gewöhnlich geschrieben werden</translation>
    </message>
    <message>
        <source>SoundFont</source>
        <translation>SoundFont</translation>
    </message>
    <message>
        <source>One SoundFont of 16 bits</source>
        <translation>Ein SoundFont mit 16 Bit</translation>
    </message>
    <message>
        <source>Little memory</source>
        <translation>Wenig Speicher</translation>
    </message>
    <message>
        <source>For hardware: a SoundFont and WAV files that fit into %1 MB; type your own limit</source>
        <translation>Für Hardware: SoundFont und WAV-Dateien, die in %1 MB passen; die Grenze lässt sich eintippen</translation>
    </message>
    <message>
        <source>WAV set</source>
        <translation>WAV-Satz</translation>
    </message>
    <message>
        <source>Every take as a WAV of 24 bits with root, tuning and loop inside</source>
        <translation>Jeder Take als WAV mit 24 Bit, Grundton, Stimmung und Loop darin</translation>
    </message>
    <message>
        <source>How it is written</source>
        <translation>Wie geschrieben wird</translation>
    </message>
    <message>
        <source>How large it may be</source>
        <translation>Wie groß es sein darf</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Auflösung</translation>
    </message>
    <message>
        <source>Bits of a sample: more are more exact, fewer take less room</source>
        <translation>Bit eines Samples: mehr sind genauer, weniger brauchen weniger Platz</translation>
    </message>
    <message>
        <source>usual</source>
        <translation>üblich</translation>
    </message>
    <message>
        <source>16 bits</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>24 bits</source>
        <translation>24 Bit</translation>
    </message>
    <message>
        <source>32, floating</source>
        <translation>32, Gleitkomma</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>Samples a second: half of it is the highest tone that is kept</source>
        <translation>Samples je Sekunde: die Hälfte davon ist der höchste Ton, der bleibt</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation>unverändert</translation>
    </message>
    <message>
        <source>96 kHz</source>
        <translation>96 kHz</translation>
    </message>
    <message>
        <source>48 kHz</source>
        <translation>48 kHz</translation>
    </message>
    <message>
        <source>44.1 kHz</source>
        <translation>44.1 kHz</translation>
    </message>
    <message>
        <source>32 kHz</source>
        <translation>32 kHz</translation>
    </message>
    <message>
        <source>22.05 kHz</source>
        <translation>22.05 kHz</translation>
    </message>
    <message>
        <source>16 kHz</source>
        <translation>16 kHz</translation>
    </message>
    <message>
        <source>Channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>Mono takes half the room of stereo</source>
        <translation>Mono braucht halb so viel Platz wie Stereo</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>Mono</translation>
    </message>
    <message>
        <source>Dither</source>
        <translation>Dither</translation>
    </message>
    <message>
        <source>At 16 bits: a little noise, so that quiet ends do not become harsh</source>
        <translation>Bei 16 Bit: etwas Rauschen, damit leise Enden nicht rau werden</translation>
    </message>
    <message>
        <source>on</source>
        <translation>an</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Loops</source>
        <translation>Loops</translation>
    </message>
    <message>
        <source>Loops inside the files, or played out for players that know none</source>
        <translation>Loops in den Dateien, oder ausgespielt für Player, die keine kennen</translation>
    </message>
    <message>
        <source>in the file</source>
        <translation>in der Datei</translation>
    </message>
    <message>
        <source>played out</source>
        <translation>ausgespielt</translation>
    </message>
    <message>
        <source>Lasts</source>
        <translation>Dauert</translation>
    </message>
    <message>
        <source>How long a loop is played out before it fades</source>
        <translation>Wie lange ein Loop gespielt wird, bevor er ausblendet</translation>
    </message>
    <message>
        <source>SFZ samples</source>
        <translation>SFZ-Samples</translation>
    </message>
    <message>
        <source>FLAC holds the same in about half the room</source>
        <translation>FLAC hält dasselbe in etwa halbem Platz</translation>
    </message>
    <message>
        <source>WAV</source>
        <translation>WAV</translation>
    </message>
    <message>
        <source>FLAC</source>
        <translation>FLAC</translation>
    </message>
    <message>
        <source>WAV files</source>
        <translation>WAV-Dateien</translation>
    </message>
    <message>
        <source>The takes themselves, or what keys sound like, effects included</source>
        <translation>Die Takes selbst, oder wie Tasten klingen, mit Effekten</translation>
    </message>
    <message>
        <source>of the takes</source>
        <translation>von Takes</translation>
    </message>
    <message>
        <source>of keys</source>
        <translation>von Tasten</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Semitones from one written key to the next</source>
        <translation>Halbtöne von einer geschriebenen Taste zur nächsten</translation>
    </message>
    <message>
        <source>Limit</source>
        <translation>Grenze</translation>
    </message>
    <message>
        <source>What each of the exports may take: it is made smaller until it fits</source>
        <translation>Was jeder Export haben darf: er wird verkleinert, bis er passt</translation>
    </message>
    <message>
        <source>Made smaller by, in this order:</source>
        <translation>Verkleinert durch, der Reihe nach:</translation>
    </message>
    <message>
        <source>Click to use it earlier; with Shift, later</source>
        <translation>Anklicken, um es früher zu nutzen; mit Umschalt später</translation>
    </message>
</context>
<context>
    <name>puretone::app::ExportRow</name>
    <message>
        <source>Write %1</source>
        <translation>%1 schreiben</translation>
    </message>
    <message>
        <source>Whether it is written</source>
        <translation>Ob es geschrieben wird</translation>
    </message>
    <message>
        <source>What is not written</source>
        <translation>Was nicht geschrieben wird</translation>
    </message>
    <message>
        <source>Every file with its size</source>
        <translation>Jede Datei mit ihrer Größe</translation>
    </message>
    <message>
        <source>Opens here as it is, on any computer</source>
        <translation>Öffnet sich hier, wie es ist, auf jedem Computer</translation>
    </message>
    <message>
        <source>Text with its sample beside it, for SFZ players</source>
        <translation>Text mit einem Sample daneben, für SFZ-Player</translation>
    </message>
    <message>
        <source>Text with %1 samples beside it, for SFZ players</source>
        <translation>Text mit %1 Samples daneben, für SFZ-Player</translation>
    </message>
    <message>
        <source>One file for SoundFont players</source>
        <translation>Eine Datei für SoundFont-Player</translation>
    </message>
    <message>
        <source>%1 keys as they sound here, effects included, each with its note inside</source>
        <translation>%1 Tasten, wie sie hier klingen, mit Effekten, jede mit ihrer Note darin</translation>
    </message>
    <message>
        <source>For hardware and programs that read root, tuning and loop from a WAV</source>
        <translation>Für Hardware und Programme, die Grundton, Stimmung und Loop aus einer WAV lesen</translation>
    </message>
    <message>
        <source>%1 takes, for hardware and programs that read root, tuning and loop from a WAV</source>
        <translation>%1 Takes, für Hardware und Programme, die Grundton, Stimmung und Loop aus einer WAV lesen</translation>
    </message>
    <message>
        <source>⌄ %1 files</source>
        <translation>⌄ %1 Dateien</translation>
    </message>
    <message>
        <source>› %1 files</source>
        <translation>› %1 Dateien</translation>
    </message>
    <message>
        <source>Writing…</source>
        <translation>Wird geschrieben…</translation>
    </message>
    <message>
        <source>%1
Drag it into another program or a folder</source>
        <translation>%1
In ein anderes Programm oder einen Ordner ziehen</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>about %1</source>
        <translation>etwa %1</translation>
    </message>
    <message>
        <source>%L1 bytes</source>
        <translation>%L1 Bytes</translation>
    </message>
    <message>
        <source>Only writing it tells exactly</source>
        <translation>Erst das Schreiben sagt es genau</translation>
    </message>
    <message>
        <source>and still too large</source>
        <translation>und noch zu groß</translation>
    </message>
</context>
<context>
    <name>puretone::app::ExportStop</name>
    <message>
        <source>Export</source>
        <translation>Export</translation>
    </message>
    <message>
        <source>What will be written</source>
        <translation>Was geschrieben wird</translation>
    </message>
    <message>
        <source>Hear it as written</source>
        <translation>Hören, wie geschrieben</translation>
    </message>
    <message>
        <source>The keys play the samples as they will be written, without effects</source>
        <translation>Die Tasten spielen die Samples, wie sie geschrieben werden, ohne Effekte</translation>
    </message>
    <message>
        <source>Save instrument</source>
        <translation>Instrument sichern</translation>
    </message>
    <message>
        <source>The instrument with its audio inside (Ctrl+S)</source>
        <translation>Das Instrument mit seinem Klang darin (Strg+S)</translation>
    </message>
    <message>
        <source>Write ticked files</source>
        <translation>Angekreuzte schreiben</translation>
    </message>
    <message>
        <source>Writes, reads back, plays and checks each ticked file</source>
        <translation>Schreibt, liest zurück, spielt und prüft jede angekreuzte Datei</translation>
    </message>
    <message>
        <source>Name of the instrument</source>
        <translation>Name des Instruments</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Choose folder</source>
        <translation>Ordner wählen</translation>
    </message>
    <message>
        <source>Where the files go</source>
        <translation>Wohin die Dateien kommen</translation>
    </message>
    <message>
        <source>Rename instrument</source>
        <translation>Instrument umbenennen</translation>
    </message>
    <message>
        <source>Folder for the files</source>
        <translation>Ordner für die Dateien</translation>
    </message>
    <message>
        <source>Replace what is there?</source>
        <translation>Ersetzen, was da ist?</translation>
    </message>
    <message>
        <source>%1 is there already.</source>
        <translation>%1 gibt es schon.</translation>
    </message>
    <message>
        <source>, </source>
        <translation>, </translation>
    </message>
    <message>
        <source>Keep it</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Every file is read back, played and compared after writing.</source>
        <translation>Jede Datei wird nach dem Schreiben zurückgelesen, gespielt und verglichen.</translation>
    </message>
    <message>
        <source>There is nothing to write yet: open a recording first.</source>
        <translation>Noch gibt es nichts zu schreiben: erst eine Aufnahme öffnen.</translation>
    </message>
    <message>
        <source>Choose %1</source>
        <translation>%1 wählen</translation>
    </message>
</context>
<context>
    <name>puretone::app::Exporting</name>
    <message>
        <source>instrument</source>
        <translation>Instrument</translation>
    </message>
    <message>
        <source>SFZ</source>
        <translation>SFZ</translation>
    </message>
    <message>
        <source>SoundFont</source>
        <translation>SoundFont</translation>
    </message>
    <message>
        <source>WAV files</source>
        <translation>WAV-Dateien</translation>
    </message>
    <message>
        <source>Change export</source>
        <translation>Export ändern</translation>
    </message>
    <message>
        <source>Include in export</source>
        <translation>In den Export aufnehmen</translation>
    </message>
    <message>
        <source>Leave out of export</source>
        <translation>Aus dem Export nehmen</translation>
    </message>
</context>
<context>
    <name>puretone::app::FieldColumn</name>
    <message>
        <source>Fold %1 away</source>
        <translation>%1 einklappen</translation>
    </message>
    <message>
        <source>Show %1</source>
        <translation>%1 zeigen</translation>
    </message>
</context>
<context>
    <name>puretone::app::FilterView</name>
    <message>
        <source>Filters over the spectrum</source>
        <translation>Filter über dem Spektrum</translation>
    </message>
    <message>
        <source>Drag a point: across for its frequency, up and down for its gain; the wheel makes a bell narrower or wider</source>
        <translation>Einen Punkt ziehen: quer für die Frequenz, auf und ab für die Verstärkung; das Rad macht eine Glocke schmaler oder breiter</translation>
    </message>
</context>
<context>
    <name>puretone::app::HearRow</name>
    <message>
        <source>Keys play</source>
        <translation>Tasten spielen</translation>
    </message>
    <message>
        <source>all of it</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>From the beginning, then round the loop</source>
        <translation>Von Anfang an, dann im Loop</translation>
    </message>
    <message>
        <source>the loop alone</source>
        <translation>nur den Loop</translation>
    </message>
    <message>
        <source>Begins at the loop&apos;s start</source>
        <translation>Beginnt am Anfang des Loops</translation>
    </message>
    <message>
        <source>across the joint</source>
        <translation>über die Naht</translation>
    </message>
    <message>
        <source>Half a second before the joint and half a second after it, again and again</source>
        <translation>Eine halbe Sekunde vor der Naht und eine halbe danach, immer wieder</translation>
    </message>
    <message>
        <source>lowest key</source>
        <translation>tiefste Taste</translation>
    </message>
    <message>
        <source>root</source>
        <translation>Grundton</translation>
    </message>
    <message>
        <source>highest key</source>
        <translation>höchste Taste</translation>
    </message>
    <message>
        <source>Hear the %1 of this take for as long as it is pressed</source>
        <translation>Hört %1 dieses Takes, solange gedrückt</translation>
    </message>
    <message>
        <source>lowest %1</source>
        <translation>tiefste %1</translation>
    </message>
    <message>
        <source>root %1</source>
        <translation>Grundton %1</translation>
    </message>
    <message>
        <source>highest %1</source>
        <translation>höchste %1</translation>
    </message>
</context>
<context>
    <name>puretone::app::JobStatus</name>
    <message>
        <source>Listening to the recording…</source>
        <translation>Die Aufnahme wird angehört…</translation>
    </message>
</context>
<context>
    <name>puretone::app::Keyboard</name>
    <message>
        <source>Keyboard</source>
        <translation>Tastatur</translation>
    </message>
    <message>
        <source>Plays the instrument; lower on a key is louder</source>
        <translation>Spielt das Instrument; weiter unten auf einer Taste ist lauter</translation>
    </message>
</context>
<context>
    <name>puretone::app::KeysDock</name>
    <message>
        <source>Audio output: click to choose another</source>
        <translation>Tonausgabe: anklicken, um eine andere zu wählen</translation>
    </message>
    <message>
        <source>MIDI keyboard: click to choose another</source>
        <translation>MIDI-Tastatur: anklicken, um eine andere zu wählen</translation>
    </message>
    <message>
        <source>Keep what I played</source>
        <translation>Gespieltes behalten</translation>
    </message>
    <message>
        <source>The last ten minutes: a stretch of them becomes a file or a take, its notes a MIDI file</source>
        <translation>Die letzten zehn Minuten: eine Strecke davon wird Datei oder Take, ihre Noten eine MIDI-Datei</translation>
    </message>
    <message>
        <source>Play root</source>
        <translation>Grundton</translation>
    </message>
    <message>
        <source>Sounds the root key while pressed (space bar)</source>
        <translation>Lässt den Grundton klingen, solange gedrückt (Leertaste)</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>Keys go on sounding until they are pressed again</source>
        <translation>Tasten klingen weiter, bis sie noch einmal gedrückt werden</translation>
    </message>
    <message>
        <source>All off</source>
        <translation>Alles aus</translation>
    </message>
    <message>
        <source>Ends every note (Ctrl+.)</source>
        <translation>Beendet jeden Ton (Strg+.)</translation>
    </message>
    <message>
        <source>Type to play</source>
        <translation>Tippen spielt</translation>
    </message>
    <message>
        <source>Two rows of the computer&apos;s keyboard play: the letters&apos; middle row are the white keys from C. Page Up and Page Down change the octave, with Shift the touch.</source>
        <translation>Zwei Reihen der Computertastatur spielen: die mittlere Buchstabenreihe sind die weißen Tasten ab C. Bild auf und Bild ab ändern die Oktave, mit Umschalt den Anschlag.</translation>
    </message>
    <message>
        <source>Listen…</source>
        <translation>Zuhören…</translation>
    </message>
    <message>
        <source>Plays a phrase or a MIDI file round and round, so that hands are free</source>
        <translation>Spielt eine Phrase oder MIDI-Datei im Kreis, damit die Hände frei sind</translation>
    </message>
    <message>
        <source>%1, touch %2</source>
        <translation>%1, Anschlag %2</translation>
    </message>
    <message>
        <source>Audio output: %1. Click to choose another.</source>
        <translation>Tonausgabe: %1. Anklicken, um eine andere zu wählen.</translation>
    </message>
    <message>
        <source>1 voice</source>
        <translation>1 Stimme</translation>
    </message>
    <message>
        <source>%1 voices</source>
        <translation>%1 Stimmen</translation>
    </message>
    <message>
        <source>%1, %2 dropped</source>
        <translation>%1, %2 verloren</translation>
    </message>
    <message>
        <source>Listening…</source>
        <translation>Zuhören…</translation>
    </message>
</context>
<context>
    <name>puretone::app::KeysStop</name>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>Add a layer…</source>
        <translation>Ebene hinzufügen…</translation>
    </message>
    <message>
        <source>An empty one, or a copy of the open one, also turned round, an octave away or a little out of tune</source>
        <translation>Eine leere, oder eine Kopie der offenen, auch umgedreht, eine Oktave versetzt oder etwas verstimmt</translation>
    </message>
    <message>
        <source>Lay out…</source>
        <translation>Auslegen…</translation>
    </message>
    <message>
        <source>Takes of this layer over the keys by their roots, borders halfway between them</source>
        <translation>Takes dieser Ebene nach Grundtönen über die Tasten, Grenzen auf halbem Weg</translation>
    </message>
    <message>
        <source>Levels…</source>
        <translation>Pegel…</translation>
    </message>
    <message>
        <source>Shows how loud its takes are, and makes them alike</source>
        <translation>Zeigt, wie laut ihre Takes sind, und gleicht sie an</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Takes the open layer away; its takes stay</source>
        <translation>Nimmt die offene Ebene weg; ihre Takes bleiben</translation>
    </message>
    <message>
        <source>An empty layer</source>
        <translation>Eine leere Ebene</translation>
    </message>
    <message>
        <source>A copy that runs backwards</source>
        <translation>Eine Kopie, die rückwärts läuft</translation>
    </message>
    <message>
        <source>A copy an octave up</source>
        <translation>Eine Kopie eine Oktave höher</translation>
    </message>
    <message>
        <source>A copy an octave down</source>
        <translation>Eine Kopie eine Oktave tiefer</translation>
    </message>
    <message>
        <source>A copy a little out of tune</source>
        <translation>Eine etwas verstimmte Kopie</translation>
    </message>
    <message>
        <source>Switch layer on</source>
        <translation>Ebene einschalten</translation>
    </message>
    <message>
        <source>Switch layer off</source>
        <translation>Ebene ausschalten</translation>
    </message>
    <message>
        <source>Take off keys</source>
        <translation>Von den Tasten nehmen</translation>
    </message>
    <message>
        <source>Add layer</source>
        <translation>Ebene hinzufügen</translation>
    </message>
    <message>
        <source>There is no room for another layer.</source>
        <translation>Für eine weitere Ebene ist kein Platz.</translation>
    </message>
    <message>
        <source>Copy layer</source>
        <translation>Ebene kopieren</translation>
    </message>
    <message>
        <source>Remove layer</source>
        <translation>Ebene entfernen</translation>
    </message>
    <message>
        <source>Move layer</source>
        <translation>Ebene verschieben</translation>
    </message>
    <message>
        <source>Play all layers</source>
        <translation>Alle Ebenen spielen</translation>
    </message>
    <message>
        <source>Play layer alone</source>
        <translation>Ebene allein spielen</translation>
    </message>
    <message>
        <source>1 zone</source>
        <translation>1 Zone</translation>
    </message>
    <message>
        <source>%1 zones</source>
        <translation>%1 Zonen</translation>
    </message>
    <message>
        <source>, borders by hand</source>
        <translation>, Grenzen von Hand</translation>
    </message>
    <message>
        <source>A copy of %1</source>
        <translation>Eine Kopie von %1</translation>
    </message>
    <message>
        <source>A layer for each of its sounds</source>
        <translation>Eine Ebene für jeden ihrer Klänge</translation>
    </message>
    <message>
        <source>Spread over layers</source>
        <translation>Auf Ebenen verteilen</translation>
    </message>
    <message>
        <source>%1 layers, each with the settings of the one: &quot;At once&quot; counts for each sound now.</source>
        <translation>%1 Ebenen, jede mit den Einstellungen der einen: „Zugleich“ zählt jetzt für jeden Klang.</translation>
    </message>
</context>
<context>
    <name>puretone::app::LayOutPanel</name>
    <message>
        <source>Lay out by roots</source>
        <translation>Nach Grundtönen auslegen</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Take</translation>
    </message>
    <message>
        <source>Set now</source>
        <translation>Jetzt gesetzt</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation>Gehört</translation>
    </message>
    <message>
        <source>In the file</source>
        <translation>In der Datei</translation>
    </message>
    <message>
        <source>In its name</source>
        <translation>Im Namen</translation>
    </message>
    <message>
        <source>What is said about every root</source>
        <translation>Was über jeden Grundton gesagt wird</translation>
    </message>
    <message>
        <source>Click what is right for a take; the others go by the choice below</source>
        <translation>Anklicken, was für einen Take stimmt; für die anderen gilt die Wahl darunter</translation>
    </message>
    <message>
        <source>Leave as it is</source>
        <translation>Lassen, wie es ist</translation>
    </message>
    <message>
        <source>Lay out</source>
        <translation>Auslegen</translation>
    </message>
    <message>
        <source>Roots</source>
        <translation>Grundtöne</translation>
    </message>
    <message>
        <source>Where the root of every take comes from</source>
        <translation>Woher der Grundton jedes Takes kommt</translation>
    </message>
    <message>
        <source>as set now</source>
        <translation>wie gesetzt</translation>
    </message>
    <message>
        <source>as heard</source>
        <translation>wie gehört</translation>
    </message>
    <message>
        <source>in the file</source>
        <translation>in der Datei</translation>
    </message>
    <message>
        <source>in its name</source>
        <translation>aus dem Namen</translation>
    </message>
    <message>
        <source>first and step</source>
        <translation>erster und Schritt</translation>
    </message>
    <message>
        <source>First key</source>
        <translation>Erste Taste</translation>
    </message>
    <message>
        <source>Root of the first take in the list</source>
        <translation>Grundton des ersten Takes der Liste</translation>
    </message>
    <message>
        <source>Step</source>
        <translation>Schritt</translation>
    </message>
    <message>
        <source>Semitones from one take to the next</source>
        <translation>Halbtöne von einem Take zum nächsten</translation>
    </message>
    <message>
        <source>Outwards</source>
        <translation>Nach außen</translation>
    </message>
    <message>
        <source>How far the lowest and the highest take reach: as far as the layer did, to every key, or until they would sound slow or thin</source>
        <translation>Wie weit der tiefste und der höchste Take reichen: so weit wie die Ebene, bis zu jeder Taste, oder bis sie träge oder dünn klängen</translation>
    </message>
    <message>
        <source>as before</source>
        <translation>wie bisher</translation>
    </message>
    <message>
        <source>every key</source>
        <translation>jede Taste</translation>
    </message>
    <message>
        <source>as it sounds</source>
        <translation>wie es klingt</translation>
    </message>
    <message>
        <source>One root</source>
        <translation>Gleicher Grundton</translation>
    </message>
    <message>
        <source>How takes that share a root share its keys</source>
        <translation>Wie Takes mit gleichem Grundton sich Tasten teilen</translation>
    </message>
    <message>
        <source>by what differs</source>
        <translation>nach Unterschied</translation>
    </message>
    <message>
        <source>by touch</source>
        <translation>nach Anschlag</translation>
    </message>
    <message>
        <source>in turn</source>
        <translation>abwechselnd</translation>
    </message>
    <message>
        <source>like the others</source>
        <translation>wie die anderen</translation>
    </message>
    <message>
        <source>keys in a row</source>
        <translation>Tasten in Reihe</translation>
    </message>
    <message>
        <source>own layer</source>
        <translation>eigene Ebene</translation>
    </message>
    <message>
        <source>What is said about its root differs</source>
        <translation>Was über den Grundton gesagt wird, widerspricht sich</translation>
    </message>
    <message>
        <source>All names agree with what is heard if they are read %1 %2.</source>
        <translation>Alle Namen passen zum Gehörten, wenn sie %1 %2 gelesen werden.</translation>
    </message>
    <message>
        <source>an octave</source>
        <translation>eine Oktave</translation>
    </message>
    <message>
        <source>%1 octaves</source>
        <translation>%1 Oktaven</translation>
    </message>
    <message>
        <source>higher</source>
        <translation>höher</translation>
    </message>
    <message>
        <source>lower</source>
        <translation>tiefer</translation>
    </message>
    <message>
        <source>Read them so</source>
        <translation>So lesen</translation>
    </message>
    <message>
        <source>Names are read %1 semitones %2.</source>
        <translation>Namen werden %1 Halbtöne %2 gelesen.</translation>
    </message>
    <message>
        <source>As they stand</source>
        <translation>Wie sie dastehen</translation>
    </message>
    <message>
        <source>Whatever is said about their roots agrees.</source>
        <translation>Was über ihre Grundtöne gesagt wird, stimmt überein.</translation>
    </message>
    <message>
        <source>For %1 of %2 takes, what is heard, what stands in the file and what its name says differ (●). Click what is right, or choose for all below.</source>
        <translation>Bei %1 von %2 Takes widersprechen sich Gehörtes, Datei und Name (●). Anklicken, was stimmt, oder unten für alle wählen.</translation>
    </message>
    <message>
        <source>Drums, noises</source>
        <translation>Trommeln, Geräusche</translation>
    </message>
    <message>
        <source>What becomes of takes that are struck and gone, or have no clear pitch</source>
        <translation>Was aus Takes wird, die angeschlagen und vorbei sind oder keine klare Tonhöhe haben</translation>
    </message>
</context>
<context>
    <name>puretone::app::LayerPanel</name>
    <message>
        <source>Layer</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Name of the layer</source>
        <translation>Name der Ebene</translation>
    </message>
    <message>
        <source>What the lane is called</source>
        <translation>Wie die Spur heißt</translation>
    </message>
    <message>
        <source>Name layer</source>
        <translation>Ebene benennen</translation>
    </message>
    <message>
        <source>Follow keys</source>
        <translation>Folgt Tasten</translation>
    </message>
    <message>
        <source>How far the pitch follows the keys: 0 % plays the same pitch on all of them</source>
        <translation>Wie weit die Tonhöhe den Tasten folgt: bei 0 % spielen alle dieselbe</translation>
    </message>
    <message>
        <source>Change pitch follow</source>
        <translation>Tastenfolge ändern</translation>
    </message>
    <message>
        <source>Sounds</source>
        <translation>Klingt</translation>
    </message>
    <message>
        <source>When this layer sounds. On release: a key that is let go plays it once, to its end.</source>
        <translation>Wann diese Ebene klingt. Beim Loslassen: eine losgelassene Taste spielt sie einmal zu Ende.</translation>
    </message>
    <message>
        <source>on press</source>
        <translation>beim Drücken</translation>
    </message>
    <message>
        <source>on release</source>
        <translation>beim Loslassen</translation>
    </message>
    <message>
        <source>at phrase start</source>
        <translation>Phrasenbeginn</translation>
    </message>
    <message>
        <source>within phrases</source>
        <translation>in Phrasen</translation>
    </message>
    <message>
        <source>Falls a second</source>
        <translation>Fällt je Sekunde</translation>
    </message>
    <message>
        <source>On release: how much softer for each second that the key was held</source>
        <translation>Beim Loslassen: wie viel leiser für jede Sekunde, die die Taste gehalten wurde</translation>
    </message>
    <message>
        <source>Same keys</source>
        <translation>Gleiche Tasten</translation>
    </message>
    <message>
        <source>What takes of this layer do that share keys and touch</source>
        <translation>Was Takes dieser Ebene tun, die Tasten und Anschlag teilen</translation>
    </message>
    <message>
        <source>all together</source>
        <translation>alle zugleich</translation>
    </message>
    <message>
        <source>in turn</source>
        <translation>abwechselnd</translation>
    </message>
    <message>
        <source>at random</source>
        <translation>zufällig</translation>
    </message>
    <message>
        <source>Turns</source>
        <translation>Wechsel</translation>
    </message>
    <message>
        <source>Whether every key has its own turn</source>
        <translation>Ob jede Taste ihren eigenen Wechsel hat</translation>
    </message>
    <message>
        <source>for each key</source>
        <translation>für jede Taste</translation>
    </message>
    <message>
        <source>over all keys</source>
        <translation>über alle Tasten</translation>
    </message>
    <message>
        <source>Change when it sounds</source>
        <translation>Ändern, wann es klingt</translation>
    </message>
    <message>
        <source>Change turns</source>
        <translation>Wechsel ändern</translation>
    </message>
    <message>
        <source>Change fall on release</source>
        <translation>Fall beim Loslassen ändern</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Of this layer against the others</source>
        <translation>Dieser Ebene gegen die anderen</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Left or right</source>
        <translation>Links oder rechts</translation>
    </message>
    <message>
        <source>Octave</source>
        <translation>Oktave</translation>
    </message>
    <message>
        <source>Octaves up or down</source>
        <translation>Oktaven hinauf oder hinab</translation>
    </message>
    <message>
        <source>Fine tune</source>
        <translation>Feinstimmung</translation>
    </message>
    <message>
        <source>Of the whole layer</source>
        <translation>Der ganzen Ebene</translation>
    </message>
    <message>
        <source>At once</source>
        <translation>Zugleich</translation>
    </message>
    <message>
        <source>Notes at once; the oldest makes room</source>
        <translation>Töne zugleich; der älteste macht Platz</translation>
    </message>
    <message>
        <source>Ends group</source>
        <translation>Beendet Gruppe</translation>
    </message>
    <message>
        <source>A note ends all others of its group; 0 for no group</source>
        <translation>Ein Ton beendet alle anderen seiner Gruppe; 0 für keine</translation>
    </message>
    <message>
        <source>Blend</source>
        <translation>Blende</translation>
    </message>
    <message>
        <source>Layers that blend share one level, from the first of them to the last</source>
        <translation>Ebenen, die blenden, teilen sich einen Pegel, von der ersten bis zur letzten</translation>
    </message>
    <message>
        <source>stands alone</source>
        <translation>steht für sich</translation>
    </message>
    <message>
        <source>blends</source>
        <translation>blendet</translation>
    </message>
    <message>
        <source>Blend stands at</source>
        <translation>Blende steht bei</translation>
    </message>
    <message>
        <source>0 % plays the first of the layers that blend, 100 % the last, at equal power between</source>
        <translation>0 % spielt die erste der blendenden Ebenen, 100 % die letzte, dazwischen mit gleicher Leistung</translation>
    </message>
    <message>
        <source>Set layer level</source>
        <translation>Pegel der Ebene setzen</translation>
    </message>
    <message>
        <source>Place layer</source>
        <translation>Ebene setzen</translation>
    </message>
    <message>
        <source>Change octave</source>
        <translation>Oktave ändern</translation>
    </message>
    <message>
        <source>Tune layer</source>
        <translation>Ebene stimmen</translation>
    </message>
    <message>
        <source>Change voices</source>
        <translation>Stimmen ändern</translation>
    </message>
    <message>
        <source>Change group</source>
        <translation>Gruppe ändern</translation>
    </message>
    <message>
        <source>Change blend</source>
        <translation>Blende ändern</translation>
    </message>
    <message>
        <source>Blend layers</source>
        <translation>Ebenen blenden</translation>
    </message>
</context>
<context>
    <name>puretone::app::LimiterStrip</name>
    <message>
        <source>What the limiter holds back</source>
        <translation>Was der Limiter zurückhält</translation>
    </message>
    <message>
        <source>What the limiter held back in the last 8 seconds; 12 dB reach the bottom</source>
        <translation>Was der Limiter in den letzten 8 Sekunden zurückhielt; 12 dB reichen bis unten</translation>
    </message>
</context>
<context>
    <name>puretone::app::ListenPanel</name>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Plays round and round, at the tempo</source>
        <translation>Spielt im Kreis, im Tempo</translation>
    </message>
    <message>
        <source>Add a MIDI file…</source>
        <translation>MIDI-Datei hinzufügen…</translation>
    </message>
    <message>
        <source>%1 plays round and round.</source>
        <translation>%1 wird immer wieder gespielt.</translation>
    </message>
    <message>
        <source>Choose a MIDI file</source>
        <translation>MIDI-Datei wählen</translation>
    </message>
    <message>
        <source>MIDI files (*.mid *.midi)</source>
        <translation>MIDI-Dateien (*.mid *.midi)</translation>
    </message>
</context>
<context>
    <name>puretone::app::LiveWave</name>
    <message>
        <source>What the input hears</source>
        <translation>Was der Eingang hört</translation>
    </message>
    <message>
        <source>What the input hears, newest on the right. The two seconds before you start are recorded too.</source>
        <translation>Was der Eingang hört, das Neueste rechts. Auch die zwei Sekunden vor dem Start werden aufgenommen.</translation>
    </message>
</context>
<context>
    <name>puretone::app::LoopStop</name>
    <message>
        <source>on</source>
        <translation>an</translation>
    </message>
    <message>
        <source>Off: the sound plays to its recorded end</source>
        <translation>Aus: der Klang spielt bis zum Ende der Aufnahme</translation>
    </message>
    <message>
        <source>Loop on</source>
        <translation>Loop an</translation>
    </message>
    <message>
        <source>Way</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>Forward: from the end back to the start. There and back: every other time backward. Until release: then on to the recorded end. One-shot: no loop, always to the end</source>
        <translation>Vorwärts: vom Ende zurück zum Anfang. Hin und zurück: jedes zweite Mal rückwärts. Bis losgelassen: dann weiter bis zum Ende der Aufnahme. Einmal: kein Loop, immer bis zum Ende</translation>
    </message>
    <message>
        <source>forward</source>
        <translation>vorwärts</translation>
    </message>
    <message>
        <source>there and back</source>
        <translation>hin und zurück</translation>
    </message>
    <message>
        <source>until release</source>
        <translation>bis losgelassen</translation>
    </message>
    <message>
        <source>one-shot</source>
        <translation>einmal</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>End</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>Where it goes back to the start</source>
        <translation>Wo es zum Anfang zurückgeht</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Moves the end; the start stays</source>
        <translation>Bewegt das Ende; der Anfang bleibt</translation>
    </message>
    <message>
        <source>Crossfade</source>
        <translation>Überblendung</translation>
    </message>
    <message>
        <source>How long the end is mixed with what lies before the start: longer hides more, and may sound limp</source>
        <translation>Wie lange das Ende mit dem gemischt wird, was vor dem Anfang liegt: länger verdeckt mehr, kann aber matt klingen</translation>
    </message>
    <message>
        <source>Curve</source>
        <translation>Kurve</translation>
    </message>
    <message>
        <source>Automatic keeps the loudness, whatever both sides have in common</source>
        <translation>Automatisch hält die Lautheit, was immer beide Seiten gemein haben</translation>
    </message>
    <message>
        <source>linear</source>
        <translation>linear</translation>
    </message>
    <message>
        <source>automatic</source>
        <translation>automatisch</translation>
    </message>
    <message>
        <source>equal power</source>
        <translation>leistungstreu</translation>
    </message>
    <message>
        <source>Even out</source>
        <translation>Ebnen</translation>
    </message>
    <message>
        <source>Takes the level change inside the loop out, so that it does not pump</source>
        <translation>Nimmt die Pegeländerung im Loop heraus, damit er nicht pumpt</translation>
    </message>
    <message>
        <source>Brightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>Evens out the brightness inside the loop, too: for sounds whose highs die first</source>
        <translation>Ebnet auch die Helligkeit im Loop: für Klänge, deren Höhen zuerst vergehen</translation>
    </message>
    <message>
        <source>Find again</source>
        <translation>Neu suchen</translation>
    </message>
    <message>
        <source>Copy to…</source>
        <translation>Übertragen…</translation>
    </message>
    <message>
        <source>Gives this loop to every other take, in one of several ways</source>
        <translation>Gibt diesen Loop jedem anderen Take, auf eine von mehreren Weisen</translation>
    </message>
    <message>
        <source>What the seam does</source>
        <translation>Was die Naht tut</translation>
    </message>
    <message>
        <source>What helps most against it; can be undone</source>
        <translation>Was am meisten dagegen hilft; lässt sich rückgängig machen</translation>
    </message>
    <message>
        <source>Fit to whole periods</source>
        <translation>An ganze Perioden anpassen</translation>
    </message>
    <message>
        <source>Makes the loop as long as a whole number of periods, to a fraction of a frame, so that it is in tune with the rest of the note</source>
        <translation>Macht den Loop so lang wie eine ganze Zahl von Perioden, auf Bruchteile eines Frames, damit er zum Rest des Tons stimmt</translation>
    </message>
    <message>
        <source>So short a loop is a tone of its own: this makes its pitch the take&apos;s</source>
        <translation>So ein kurzer Loop ist ein Ton für sich: dies macht seine Tonhöhe zu der des Takes</translation>
    </message>
    <message>
        <source>Move loop start</source>
        <translation>Loopanfang verschieben</translation>
    </message>
    <message>
        <source>Move loop end</source>
        <translation>Loopende verschieben</translation>
    </message>
    <message>
        <source>Change loop length</source>
        <translation>Looplänge ändern</translation>
    </message>
    <message>
        <source>Change crossfade</source>
        <translation>Überblendung ändern</translation>
    </message>
    <message>
        <source>Even out loop</source>
        <translation>Loop ebnen</translation>
    </message>
    <message>
        <source>Even out brightness</source>
        <translation>Helligkeit ebnen</translation>
    </message>
    <message>
        <source>Change crossfade curve</source>
        <translation>Kurve der Überblendung ändern</translation>
    </message>
    <message>
        <source>Change way of looping</source>
        <translation>Weg des Loops ändern</translation>
    </message>
    <message>
        <source>Loop off</source>
        <translation>Loop aus</translation>
    </message>
    <message>
        <source>Tune to the loop</source>
        <translation>Auf den Loop stimmen</translation>
    </message>
    <message>
        <source>At the same times</source>
        <translation>Zu denselben Zeiten</translation>
    </message>
    <message>
        <source>For takes that were performed alike</source>
        <translation>Für gleich gespielte Takes</translation>
    </message>
    <message>
        <source>At the same share of the length</source>
        <translation>Beim selben Anteil der Länge</translation>
    </message>
    <message>
        <source>For takes of different lengths</source>
        <translation>Für Takes verschiedener Länge</translation>
    </message>
    <message>
        <source>Find the like in each</source>
        <translation>In jedem den ähnlichen suchen</translation>
    </message>
    <message>
        <source>Each take&apos;s own loop that is most like this one</source>
        <translation>Von jedem Take der eigene Loop, der diesem am meisten gleicht</translation>
    </message>
    <message>
        <source>Start and length differ from take to take, so that neighbours do not pulse together</source>
        <translation>Anfang und Länge unterscheiden sich von Take zu Take, damit Nachbarn nicht zusammen pulsieren</translation>
    </message>
    <message>
        <source>Same times, staggered</source>
        <translation>Dieselben Zeiten, versetzt</translation>
    </message>
    <message>
        <source>Same share, staggered</source>
        <translation>Derselbe Anteil, versetzt</translation>
    </message>
    <message>
        <source>Find the like, staggered</source>
        <translation>Den ähnlichen suchen, versetzt</translation>
    </message>
    <message>
        <source>One-shot: it plays to its end, however short the key is held.</source>
        <translation>Einmal: spielt zu Ende, wie kurz die Taste auch gehalten wird.</translation>
    </message>
    <message>
        <source>Struck and gone at once: it gets no loop by itself. One is ready.</source>
        <translation>Angeschlagen und gleich vorbei: von selbst gibt es keinen Loop. Einer liegt bereit.</translation>
    </message>
    <message>
        <source>The loop is off.</source>
        <translation>Der Loop ist aus.</translation>
    </message>
    <message>
        <source>No loop was found: it %1.</source>
        <translation>Kein Loop gefunden: Der Klang %1.</translation>
    </message>
    <message>
        <source>Seamless.</source>
        <translation>Nahtlos.</translation>
    </message>
    <message>
        <source>It %1. The sound %2.</source>
        <translation>Die Naht %1. Der Klang %2.</translation>
    </message>
    <message>
        <source>It %1.</source>
        <translation>Die Naht %1.</translation>
    </message>
    <message>
        <source>Take root %1</source>
        <translation>Grundton %1 nehmen</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Loop</translation>
    </message>
    <message>
        <source>Choose loop</source>
        <translation>Loop wählen</translation>
    </message>
    <message>
        <source>Loop there</source>
        <translation>Dort loopen</translation>
    </message>
    <message>
        <source>at most %1</source>
        <translation>höchstens %1</translation>
    </message>
    <message>
        <source>6 periods</source>
        <translation>6 Perioden</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>crossfade %1</source>
        <translation>Überblendung %1</translation>
    </message>
    <message>
        <source>Loop start</source>
        <translation>Loopanfang</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Loop end</source>
        <translation>Loopende</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>Where the loop begins again; Ctrl while its post is dragged moves the whole loop</source>
        <translation>Wo der Loop wieder beginnt; Strg beim Ziehen ihres Pfostens verschiebt den ganzen Loop</translation>
    </message>
    <message>
        <source>Begin notes here</source>
        <translation>Töne hier beginnen</translation>
    </message>
    <message>
        <source>Keys begin at the loop at every stop: the sound before it is left out. The start at the stop Sound brings it back</source>
        <translation>Tasten beginnen an jeder Station beim Loop: Was davor liegt, bleibt weg. Der Beginn an der Station Klang holt es zurück</translation>
    </message>
    <message>
        <source>Begin at the loop</source>
        <translation>Beim Loop beginnen</translation>
    </message>
    <message>
        <source>Move loop</source>
        <translation>Loop verschieben</translation>
    </message>
    <message>
        <source>Searches the kept part for loops and takes the best. Shift and a drag across the wave search one stretch of it</source>
        <translation>Sucht im behaltenen Teil nach Schleifen und nimmt die beste. Umschalt und Ziehen über die Welle suchen in einem Stück davon</translation>
    </message>
    <message>
        <source>Find loops in what is in view</source>
        <translation>Schleifen in dem finden, was zu sehen ist</translation>
    </message>
    <message>
        <source>Find loops in all that is kept</source>
        <translation>Schleifen in allem finden, was behalten wird</translation>
    </message>
</context>
<context>
    <name>puretone::app::Looping</name>
    <message>
        <source>%1 was changed during the search for loops; its loop is as it was.</source>
        <translation>%1 wurde während der Loopsuche geändert; sein Loop ist, wie er war.</translation>
    </message>
    <message>
        <source>No loop was found: it %1.</source>
        <translation>Kein Loop gefunden: Der Klang %1.</translation>
    </message>
    <message>
        <source>Find loops</source>
        <translation>Loops suchen</translation>
    </message>
    <message numerus="yes">
        <source>The loop was copied to %n other take(s).</source>
        <translation>
            <numerusform>Der Loop wurde auf einen anderen Take übertragen.</numerusform>
            <numerusform>Der Loop wurde auf %n andere Takes übertragen.</numerusform>
        </translation>
    </message>
    <message>
        <source>Another loop was found in what is kept now.</source>
        <translation>In dem, was jetzt behalten wird, wurde ein anderer Loop gefunden.</translation>
    </message>
    <message>
        <source>Copy loop</source>
        <translation>Loop kopieren</translation>
    </message>
    <message>
        <source>Nothing in this stretch goes round well enough.</source>
        <translation>In diesem Stück läuft nichts gut genug im Kreis.</translation>
    </message>
    <message>
        <source>Nothing in this stretch goes round well enough: it %1.</source>
        <translation>In diesem Stück läuft nichts gut genug im Kreis: Es %1.</translation>
    </message>
    <message>
        <source>Find loops in a stretch</source>
        <translation>Schleifen in einem Stück finden</translation>
    </message>
    <message>
        <source>Loops from %1 to %2. Find again searches all that is kept.</source>
        <translation>Schleifen von %1 bis %2. Neu suchen sucht in allem, was behalten wird.</translation>
    </message>
</context>
<context>
    <name>puretone::app::MainWindow</name>
    <message>
        <source>Untitled</source>
        <translation>Ohne Namen</translation>
    </message>
    <message>
        <source>Pure Tone</source>
        <translation>Pure Tone</translation>
    </message>
    <message>
        <source>Show the %1 takes</source>
        <translation>Die %1 Takes zeigen</translation>
    </message>
    <message>
        <source>Fold the list of takes away</source>
        <translation>Liste der Takes einklappen</translation>
    </message>
    <message>
        <source>reads as %1</source>
        <translation>gelesen als %1</translation>
    </message>
    <message>
        <source>no clear pitch</source>
        <translation>keine klare Tonhöhe</translation>
    </message>
    <message>
        <source>no loop yet</source>
        <translation>noch kein Loop</translation>
    </message>
    <message>
        <source>No audio device was found: playing through the simulated output. Choose another below the meter.</source>
        <translation>Kein Audiogerät gefunden: gespielt wird über die simulierte Ausgabe. Unter dem Pegel lässt sich eine andere wählen.</translation>
    </message>
    <message>
        <source>no recording yet</source>
        <translation>noch keine Aufnahme</translation>
    </message>
    <message>
        <source>Undo: %1 (Ctrl+Z)</source>
        <translation>Rückgängig: %1 (Strg+Z)</translation>
    </message>
    <message>
        <source>Nothing to undo</source>
        <translation>Nichts rückgängig zu machen</translation>
    </message>
    <message>
        <source>Redo: %1 (Ctrl+Shift+Z)</source>
        <translation>Wiederholen: %1 (Strg+Umschalt+Z)</translation>
    </message>
    <message>
        <source>Nothing to redo</source>
        <translation>Nichts zu wiederholen</translation>
    </message>
    <message>
        <source>%1%2 – Pure Tone</source>
        <translation>%1%2 – Pure Tone</translation>
    </message>
    <message>
        <source>The output is being opened: nothing has been played yet.</source>
        <translation>Die Ausgabe wird geöffnet: noch wurde nichts gespielt.</translation>
    </message>
    <message>
        <source>There is no sound file in that folder.</source>
        <translation>In diesem Ordner ist keine Klangdatei.</translation>
    </message>
    <message>
        <source>Nothing was opened yet</source>
        <translation>Noch nichts geöffnet</translation>
    </message>
    <message>
        <source>%1 had changes that were not saved when Pure Tone ended; they are still there.</source>
        <translation>%1 hatte ungesicherte Änderungen, als Pure Tone endete; sie sind noch da.</translation>
    </message>
    <message>
        <source>%1 and %2 more had changes that were not saved when Pure Tone ended; they are still there.</source>
        <translation>%1 und %2 weitere hatten ungesicherte Änderungen, als Pure Tone endete; sie sind noch da.</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Throw away</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <source>A recording was interrupted before it ended; it is still there.</source>
        <translation>Eine Aufnahme wurde vor ihrem Ende unterbrochen; sie ist noch da.</translation>
    </message>
    <message>
        <source>%1 recordings were interrupted before they ended; they are still there.</source>
        <translation>%1 Aufnahmen wurden vor ihrem Ende unterbrochen; sie sind noch da.</translation>
    </message>
    <message>
        <source>For %1 of %2 takes, name or file say another note than is heard.</source>
        <translation>Bei %1 von %2 Takes nennen Name oder Datei einen anderen Ton, als zu hören ist.</translation>
    </message>
    <message>
        <source>Compare…</source>
        <translation>Vergleichen…</translation>
    </message>
    <message>
        <source>Which instrument?</source>
        <translation>Welches Instrument?</translation>
    </message>
    <message>
        <source>%1 holds %2 of them.</source>
        <translation>%1 enthält %2 davon.</translation>
    </message>
    <message>
        <source>Instruments of the bank</source>
        <translation>Instrumente der Bank</translation>
    </message>
    <message>
        <source>%1:%2  %3</source>
        <translation>%1:%2  %3</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Settings…</source>
        <translation>Einstellungen…</translation>
    </message>
    <message>
        <source>Open recordings or an instrument</source>
        <translation>Aufnahmen oder ein Instrument öffnen</translation>
    </message>
    <message>
        <source>Replace what was changed elsewhere?</source>
        <translation>Ersetzen, was anderswo geändert wurde?</translation>
    </message>
    <message>
        <source>%1 was changed by another program or window since it was opened here. What is there now is kept beside it as %1~.</source>
        <translation>%1 wurde von einem anderen Programm oder Fenster geändert, seit es hier geöffnet wurde. Was jetzt dort steht, bleibt daneben als %1~ erhalten.</translation>
    </message>
    <message>
        <source>Keep it</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Save under another name…</source>
        <translation>Unter anderem Namen sichern…</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Save the instrument with its audio inside</source>
        <translation>Das Instrument mit seinem Klang darin sichern</translation>
    </message>
    <message>
        <source>Pure Tone instruments (*.puretone)</source>
        <translation>Pure-Tone-Instrumente (*.puretone)</translation>
    </message>
    <message>
        <source>Save before closing?</source>
        <translation>Vor dem Schließen sichern?</translation>
    </message>
    <message>
        <source>%1 has changes that are not saved.</source>
        <translation>%1 hat ungesicherte Änderungen.</translation>
    </message>
    <message>
        <source>%1, which was open before, has changes that are not saved.</source>
        <translation>%1, das vorher offen war, hat ungesicherte Änderungen.</translation>
    </message>
    <message>
        <source>Go back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Do not save</source>
        <translation>Nicht sichern</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Sichern</translation>
    </message>
    <message>
        <source>Instrument</source>
        <translation>Instrument</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Take</translation>
    </message>
    <message>
        <source>Open, save, theme, shortcuts</source>
        <translation>Öffnen, Sichern, Farben, Tastenkürzel</translation>
    </message>
    <message>
        <source>Instrument menu</source>
        <translation>Menü des Instruments</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Takes</translation>
    </message>
    <message>
        <source>Fold the list of takes</source>
        <translation>Liste der Takes einklappen</translation>
    </message>
    <message>
        <source>New instrument</source>
        <translation>Neues Instrument</translation>
    </message>
    <message>
        <source>Open…</source>
        <translation>Öffnen…</translation>
    </message>
    <message>
        <source>Add takes…</source>
        <translation>Takes hinzufügen…</translation>
    </message>
    <message>
        <source>Add recordings as takes</source>
        <translation>Aufnahmen als Takes hinzufügen</translation>
    </message>
    <message>
        <source>Recent</source>
        <translation>Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>Shelf of sounds</source>
        <translation>Klangregal</translation>
    </message>
    <message>
        <source>Save instrument</source>
        <translation>Instrument sichern</translation>
    </message>
    <message>
        <source>Save instrument as…</source>
        <translation>Instrument sichern unter…</translation>
    </message>
    <message>
        <source>All notes off</source>
        <translation>Alle Töne aus</translation>
    </message>
    <message>
        <source>Daybreak or Night watch</source>
        <translation>Tagesanbruch oder Nachtwache</translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>saved</source>
        <translation>gesichert</translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation>noch nicht gesichert</translation>
    </message>
    <message>
        <source>Welcome. This is a fog horn: press A, S, D and F, or click the keys. Then open a recording of your own, or drop it on the window.</source>
        <translation>Willkommen. Dies ist ein Nebelhorn: A, S, D und F drücken oder die Tasten anklicken. Dann eine eigene Aufnahme öffnen oder auf das Fenster ziehen.</translation>
    </message>
    <message>
        <source>Welcome. Press A, S, D and F, or click the keys; open a recording of your own, or drop it on the window. F1 lists all shortcuts.</source>
        <translation>Willkommen. A, S, D und F drücken oder die Tasten anklicken; eine eigene Aufnahme öffnen oder auf das Fenster ziehen. F1 zeigt alle Tastenkürzel.</translation>
    </message>
    <message>
        <source>A key each</source>
        <translation>Je eine Taste</translation>
    </message>
    <message>
        <source>In turn</source>
        <translation>Abwechselnd</translation>
    </message>
    <message>
        <source>%1 of %2 takes are drums or noises: on a key each, or in turn on every key?</source>
        <translation>%1 von %2 Takes sind Trommeln oder Geräusche: jede auf einer eigenen Taste oder abwechselnd auf allen?</translation>
    </message>
    <message>
        <source>%1 is not on this computer. Save it here first, then drop the file.</source>
        <translation>%1 liegt nicht auf diesem Rechner. Sichern Sie es zuerst hier und lassen Sie dann die Datei fallen.</translation>
    </message>
    <message>
        <source>Unsaved work of an earlier session could not be read. It is kept in %1; a later version of Pure Tone may open it.</source>
        <translation>Ungesicherte Arbeit einer früheren Sitzung konnte nicht gelesen werden. Sie bleibt in %1; eine spätere Version von Pure Tone kann sie vielleicht öffnen.</translation>
    </message>
</context>
<context>
    <name>puretone::app::MannerPanel</name>
    <message>
        <source>Plays</source>
        <translation>Spielt</translation>
    </message>
    <message>
        <source>As recorded: speed and pitch together. Its own length: every key lasts the same. A frozen moment: one place of the take for as long as the key is held.</source>
        <translation>Wie aufgenommen: Tempo und Tonhöhe zusammen. Eigene Länge: jede Taste dauert gleich lang. Eingefrorener Moment: eine Stelle des Takes, solange die Taste gehalten wird.</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation>unverändert</translation>
    </message>
    <message>
        <source>own length</source>
        <translation>eigene Länge</translation>
    </message>
    <message>
        <source>frozen moment</source>
        <translation>eingefroren</translation>
    </message>
    <message>
        <source>Change playing manner</source>
        <translation>Spielweise ändern</translation>
    </message>
    <message>
        <source>Formants</source>
        <translation>Formanten</translation>
    </message>
    <message>
        <source>Whether the colour of a voice stays where it is, or moves with the pitch</source>
        <translation>Ob die Farbe einer Stimme bleibt, wo sie ist, oder mit der Tonhöhe wandert</translation>
    </message>
    <message>
        <source>move</source>
        <translation>wandern</translation>
    </message>
    <message>
        <source>are kept</source>
        <translation>bleiben</translation>
    </message>
    <message>
        <source>Change formants</source>
        <translation>Formanten ändern</translation>
    </message>
    <message>
        <source>Move frozen place</source>
        <translation>Eingefrorene Stelle bewegen</translation>
    </message>
    <message>
        <source>Moment</source>
        <translation>Moment</translation>
    </message>
    <message>
        <source>The place of the take that is held</source>
        <translation>Die Stelle des Takes, die gehalten wird</translation>
    </message>
    <message>
        <source>Grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>How long each piece of it lasts, in seconds or as a note (1/16); shorter than a period it is a tone of its own</source>
        <translation>Wie lange jedes Stück davon dauert, in Sekunden oder als Note (1/16); kürzer als eine Periode ist es ein Ton für sich</translation>
    </message>
    <message>
        <source>Grains at once</source>
        <translation>Körner zugleich</translation>
    </message>
    <message>
        <source>How many of them overlap</source>
        <translation>Wie viele sich überlappen</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>Which way grains run</source>
        <translation>Wohin Körner laufen</translation>
    </message>
    <message>
        <source>forwards</source>
        <translation>vorwärts</translation>
    </message>
    <message>
        <source>backwards</source>
        <translation>rückwärts</translation>
    </message>
    <message>
        <source>either way</source>
        <translation>beides</translation>
    </message>
    <message>
        <source>Change direction of grains</source>
        <translation>Richtung der Körner ändern</translation>
    </message>
    <message>
        <source>Wanders</source>
        <translation>Wandert</translation>
    </message>
    <message>
        <source>How fast the place moves through the take, there and back, against its own speed</source>
        <translation>Wie schnell die Stelle durch den Take wandert, hin und zurück, gegen dessen eigenes Tempo</translation>
    </message>
    <message>
        <source>Edges</source>
        <translation>Kanten</translation>
    </message>
    <message>
        <source>How grains begin and end</source>
        <translation>Wie Körner beginnen und enden</translation>
    </message>
    <message>
        <source>soft</source>
        <translation>weich</translation>
    </message>
    <message>
        <source>hard</source>
        <translation>hart</translation>
    </message>
    <message>
        <source>Change edges of grains</source>
        <translation>Kanten der Körner ändern</translation>
    </message>
    <message>
        <source>Change grain size</source>
        <translation>Korngröße ändern</translation>
    </message>
    <message>
        <source>Change grains at once</source>
        <translation>Zahl der Körner ändern</translation>
    </message>
    <message>
        <source>Change wandering</source>
        <translation>Wandern ändern</translation>
    </message>
    <message>
        <source>Scatter, place</source>
        <translation>Streuung, Stelle</translation>
    </message>
    <message>
        <source>How far grains begin from the place, at random</source>
        <translation>Wie weit von der Stelle Körner zufällig beginnen</translation>
    </message>
    <message>
        <source>Scatter, size</source>
        <translation>Streuung, Größe</translation>
    </message>
    <message>
        <source>How far their lengths differ, at random</source>
        <translation>Wie weit sich ihre Längen zufällig unterscheiden</translation>
    </message>
    <message>
        <source>Scatter, pitch</source>
        <translation>Streuung, Tonhöhe</translation>
    </message>
    <message>
        <source>How far their pitches differ, at random</source>
        <translation>Wie weit sich ihre Tonhöhen zufällig unterscheiden</translation>
    </message>
    <message>
        <source>Scatter grains</source>
        <translation>Körner streuen</translation>
    </message>
    <message>
        <source>Nothing to make: no key plays this layer.</source>
        <translation>Nichts zu machen: keine Taste spielt diese Ebene.</translation>
    </message>
    <message>
        <source>%1 of %2 keys are ready, %3; the others play as recorded until then.</source>
        <translation>%1 von %2 Tasten sind fertig, %3; die anderen spielen bis dahin wie aufgenommen.</translation>
    </message>
    <message>
        <source>All %1 keys are ready, %2.</source>
        <translation>Alle %1 Tasten sind fertig, %2.</translation>
    </message>
    <message>
        <source> %1 longer than a minute are played as recorded.</source>
        <translation> %1 über eine Minute lang spielen wie aufgenommen.</translation>
    </message>
    <message>
        <source>1 take</source>
        <translation>1 Take</translation>
    </message>
    <message>
        <source>%1 takes</source>
        <translation>%1 Takes</translation>
    </message>
    <message>
        <source>No grain sounds now.</source>
        <translation>Gerade klingt kein Korn.</translation>
    </message>
    <message>
        <source>1 grain sounds now.</source>
        <translation>Gerade klingt 1 Korn.</translation>
    </message>
    <message>
        <source>%1 grains sound now.</source>
        <translation>Gerade klingen %1 Körner.</translation>
    </message>
</context>
<context>
    <name>puretone::app::MatchPanel</name>
    <message>
        <source>Match levels</source>
        <translation>Pegel angleichen</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Take</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>Loudness now</source>
        <translation>Lautheit jetzt</translation>
    </message>
    <message>
        <source>Change</source>
        <translation>Änderung</translation>
    </message>
    <message>
        <source>What would change</source>
        <translation>Was sich ändern würde</translation>
    </message>
    <message>
        <source>As recorded</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Takes every level of this layer&apos;s keys back to 0 dB</source>
        <translation>Setzt alle Pegel der Tasten dieser Ebene auf 0 dB zurück</translation>
    </message>
    <message>
        <source>Leave as it is</source>
        <translation>Lassen, wie es ist</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Angleichen</translation>
    </message>
    <message>
        <source>Levels as recorded</source>
        <translation>Pegel wie aufgenommen</translation>
    </message>
    <message>
        <source>Listening to the takes…</source>
        <translation>Die Takes werden angehört…</translation>
    </message>
    <message>
        <source>No take of this layer can be heard.</source>
        <translation>Kein Take dieser Ebene ist zu hören.</translation>
    </message>
    <message>
        <source>All takes of this layer are as loud as each other.</source>
        <translation>Alle Takes dieser Ebene sind gleich laut.</translation>
    </message>
    <message>
        <source>So that all are as loud as the middle one, over the same stretch of each. Takes of other touches are matched among themselves.</source>
        <translation>Damit alle so laut sind wie der mittlere, über dieselbe Strecke jedes Takes. Takes anderen Anschlags werden unter sich angeglichen.</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
</context>
<context>
    <name>puretone::app::MendPanel</name>
    <message>
        <source>Straighten</source>
        <translation>Begradigen</translation>
    </message>
    <message>
        <source>Take a tone out</source>
        <translation>Ton entfernen</translation>
    </message>
    <message>
        <source>Drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>How much of the slow wandering goes; the speed changes, nothing is stretched</source>
        <translation>Wie viel des langsamen Wanderns verschwindet; das Tempo ändert sich, nichts wird gedehnt</translation>
    </message>
    <message>
        <source>Vibrato</source>
        <translation>Vibrato</translation>
    </message>
    <message>
        <source>How much of the swing from 2 to 10 times a second goes</source>
        <translation>Wie viel des Schwingens mit 2 bis 10 Malen je Sekunde verschwindet</translation>
    </message>
    <message>
        <source>Onto</source>
        <translation>Auf</translation>
    </message>
    <message>
        <source>Its own middle, or the root key: with both at 0 % the take is only centred there</source>
        <translation>Die eigene Mitte oder der Grundton: stehen beide auf 0 %, wird der Take nur dorthin gerückt</translation>
    </message>
    <message>
        <source>its own middle</source>
        <translation>die eigene Mitte</translation>
    </message>
    <message>
        <source>the root key</source>
        <translation>den Grundton</translation>
    </message>
    <message>
        <source>Tone at</source>
        <translation>Ton bei</translation>
    </message>
    <message>
        <source>Where the removed tone is strongest; it is followed from there</source>
        <translation>Wo der entfernte Ton am stärksten ist; von dort wird ihm gefolgt</translation>
    </message>
    <message>
        <source>Overtones</source>
        <translation>Obertöne</translation>
    </message>
    <message>
        <source>Whether the tone&apos;s own overtones go with it</source>
        <translation>Ob die Obertöne des Tons mitgehen</translation>
    </message>
    <message>
        <source>stay</source>
        <translation>bleiben</translation>
    </message>
    <message>
        <source>go, too</source>
        <translation>gehen mit</translation>
    </message>
    <message>
        <source>Remove a tone</source>
        <translation>Ton entfernen</translation>
    </message>
    <message>
        <source>Takes a whistle, hum or ring out; click it in the spectrum to mark it</source>
        <translation>Nimmt Pfeifen, Brummen oder Klingeln heraus; im Spektrum anklicken, um ihn zu markieren</translation>
    </message>
    <message>
        <source>Hear it alone</source>
        <translation>Allein hören</translation>
    </message>
    <message>
        <source>What is taken out, by itself; press again for the take</source>
        <translation>Was herausgenommen wird, für sich; noch einmal drücken für den Take</translation>
    </message>
    <message>
        <source>Leave it in</source>
        <translation>Drin lassen</translation>
    </message>
    <message>
        <source>The tone stays in the take after all</source>
        <translation>Der Ton bleibt doch im Take</translation>
    </message>
    <message>
        <source>Leave the tone in</source>
        <translation>Ton drin lassen</translation>
    </message>
    <message>
        <source>Change removed tone</source>
        <translation>Entfernten Ton ändern</translation>
    </message>
    <message>
        <source>Click the tone in the spectrum first: every peak there can be marked.</source>
        <translation>Erst den Ton im Spektrum anklicken: jede Spitze dort lässt sich markieren.</translation>
    </message>
    <message>
        <source>Remove tone</source>
        <translation>Ton entfernen</translation>
    </message>
    <message>
        <source>Remove the tone at %1</source>
        <translation>Ton bei %1 entfernen</translation>
    </message>
    <message>
        <source>Remove a tone…</source>
        <translation>Ton entfernen…</translation>
    </message>
</context>
<context>
    <name>puretone::app::MessageBar</name>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Which?</source>
        <translation>Welche?</translation>
    </message>
    <message>
        <source>Message</source>
        <translation>Meldung</translation>
    </message>
    <message>
        <source>Shows each of them with its reason</source>
        <translation>Zeigt jede davon mit ihrem Grund</translation>
    </message>
</context>
<context>
    <name>puretone::app::Meter</name>
    <message>
        <source>Output level</source>
        <translation>Ausgangspegel</translation>
    </message>
    <message>
        <source>Output level, −60 to 0 dB; the line is the held peak. &quot;Held back&quot; is what the limiter takes away. Click to forget both.</source>
        <translation>Ausgangspegel, −60 bis 0 dB; der Strich ist die gehaltene Spitze. &quot;Hält zurück&quot; ist, was der Limiter wegnimmt. Anklicken, um beides zu vergessen.</translation>
    </message>
    <message>
        <source>silent</source>
        <translation>still</translation>
    </message>
    <message>
        <source>held back %1 dB</source>
        <translation>hält %1 dB zurück</translation>
    </message>
    <message>
        <source>over by %1 dB</source>
        <translation>%1 dB darüber</translation>
    </message>
    <message>
        <source>peak %1</source>
        <translation>Spitze %1</translation>
    </message>
</context>
<context>
    <name>puretone::app::MovementList</name>
    <message>
        <source>Nothing moves by itself yet.</source>
        <translation>Noch bewegt sich nichts von selbst.</translation>
    </message>
    <message>
        <source>Learn</source>
        <translation>Lernen</translation>
    </message>
    <message>
        <source>Add a movement…</source>
        <translation>Bewegung hinzufügen…</translation>
    </message>
    <message>
        <source>What moves</source>
        <translation>Was bewegt</translation>
    </message>
    <message>
        <source>or write it: wheel cutoff 2 oct</source>
        <translation>oder schreiben: Rad Grenze 2 Okt</translation>
    </message>
    <message>
        <source>A source, what it moves, how far: sine 0.3 Hz cutoff 0.6 oct by wheel</source>
        <translation>Eine Quelle, was sie bewegt, wie weit: Sinus 0.3 Hz Grenze 0.6 Okt mit Rad</translation>
    </message>
    <message>
        <source>A movement as a sentence</source>
        <translation>Eine Bewegung als Satz</translation>
    </message>
    <message>
        <source>Touch a value at the right, then move a controller: from then on it moves that value</source>
        <translation>Rechts einen Wert anfassen, dann einen Controller bewegen: von da an bewegt er diesen Wert</translation>
    </message>
    <message>
        <source>Choose what moves, and what is moved</source>
        <translation>Wählen, was bewegt und was bewegt wird</translation>
    </message>
    <message>
        <source>Movements</source>
        <translation>Bewegungen</translation>
    </message>
</context>
<context>
    <name>puretone::app::MovementPanel</name>
    <message>
        <source>Chosen movement</source>
        <translation>Gewählte Bewegung</translation>
    </message>
    <message>
        <source>Click a movement on the bench to change what moves it.</source>
        <translation>Eine Bewegung auf der Werkbank anklicken, um zu ändern, was sie bewegt.</translation>
    </message>
    <message>
        <source>Moved by</source>
        <translation>Bewegt von</translation>
    </message>
    <message>
        <source>What moves it</source>
        <translation>Was sie bewegt</translation>
    </message>
    <message>
        <source>Number</source>
        <translation>Nummer</translation>
    </message>
    <message>
        <source>Of the controller, or of the layer&apos;s wave</source>
        <translation>Des Controllers oder der Welle der Ebene</translation>
    </message>
    <message>
        <source>Moves</source>
        <translation>Bewegt</translation>
    </message>
    <message>
        <source>What is moved</source>
        <translation>Was bewegt wird</translation>
    </message>
    <message>
        <source>As far as</source>
        <translation>So weit wie</translation>
    </message>
    <message>
        <source>Another source that scales it: the wheel can let a wave in</source>
        <translation>Eine zweite Quelle, die sie regelt: das Rad kann eine Welle hereinlassen</translation>
    </message>
    <message>
        <source>nothing else</source>
        <translation>nichts sonst</translation>
    </message>
    <message>
        <source>Curve</source>
        <translation>Kurve</translation>
    </message>
    <message>
        <source>Above 0 it begins slowly, below 0 at once</source>
        <translation>Über 0 beginnt sie langsam, unter 0 sofort</translation>
    </message>
    <message>
        <source>Change what moves</source>
        <translation>Ändern, was bewegt</translation>
    </message>
    <message>
        <source>Change what is moved</source>
        <translation>Ändern, was bewegt wird</translation>
    </message>
    <message>
        <source>Change what allows it</source>
        <translation>Ändern, was es erlaubt</translation>
    </message>
    <message>
        <source>Change number</source>
        <translation>Nummer ändern</translation>
    </message>
    <message>
        <source>Bend movement</source>
        <translation>Bewegung biegen</translation>
    </message>
    <message>
        <source>Wave</source>
        <translation>Welle</translation>
    </message>
    <message>
        <source>Its shape; the last two go by chance</source>
        <translation>Ihre Form; die letzten beiden folgen dem Zufall</translation>
    </message>
    <message>
        <source>sine</source>
        <translation>Sinus</translation>
    </message>
    <message>
        <source>triangle</source>
        <translation>Dreieck</translation>
    </message>
    <message>
        <source>saw up</source>
        <translation>Säge auf</translation>
    </message>
    <message>
        <source>saw down</source>
        <translation>Säge ab</translation>
    </message>
    <message>
        <source>square</source>
        <translation>Rechteck</translation>
    </message>
    <message>
        <source>steps</source>
        <translation>Stufen</translation>
    </message>
    <message>
        <source>drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>Speed in</source>
        <translation>Tempo in</translation>
    </message>
    <message>
        <source>In swings a second, or in time with the song</source>
        <translation>In Schwingungen je Sekunde oder im Takt des Stücks</translation>
    </message>
    <message>
        <source>Hz</source>
        <translation>Hz</translation>
    </message>
    <message>
        <source>beats</source>
        <translation>Schlägen</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Swings in a second</source>
        <translation>Schwingungen je Sekunde</translation>
    </message>
    <message>
        <source>Swing lasts</source>
        <translation>Schwingung dauert</translation>
    </message>
    <message>
        <source>In beats of the tempo: 4 is a bar</source>
        <translation>In Schlägen des Tempos: 4 sind ein Takt</translation>
    </message>
    <message>
        <source>Waits</source>
        <translation>Wartet</translation>
    </message>
    <message>
        <source>Before it begins, after the key</source>
        <translation>Bevor sie beginnt, nach der Taste</translation>
    </message>
    <message>
        <source>Fades in</source>
        <translation>Blendet ein</translation>
    </message>
    <message>
        <source>Until all of it is there</source>
        <translation>Bis sie ganz da ist</translation>
    </message>
    <message>
        <source>Begins at</source>
        <translation>Beginnt bei</translation>
    </message>
    <message>
        <source>Which part of its swing</source>
        <translation>Welcher Teil ihrer Schwingung</translation>
    </message>
    <message>
        <source>Begins</source>
        <translation>Beginnt</translation>
    </message>
    <message>
        <source>Anew with every note, or once and the same for all of them</source>
        <translation>Mit jedem Ton neu, oder einmal und gleich für alle</translation>
    </message>
    <message>
        <source>with each note</source>
        <translation>mit jedem Ton</translation>
    </message>
    <message>
        <source>by itself</source>
        <translation>für sich</translation>
    </message>
    <message>
        <source>Change wave</source>
        <translation>Welle ändern</translation>
    </message>
</context>
<context>
    <name>puretone::app::MovementRow</name>
    <message>
        <source>Switches this movement on and off</source>
        <translation>Schaltet diese Bewegung ein und aus</translation>
    </message>
    <message>
        <source>Movement on</source>
        <translation>Bewegung an</translation>
    </message>
    <message>
        <source>Takes this movement away</source>
        <translation>Nimmt diese Bewegung weg</translation>
    </message>
    <message>
        <source>Take movement away</source>
        <translation>Bewegung wegnehmen</translation>
    </message>
    <message>
        <source>How far it moves</source>
        <translation>Wie weit sie bewegt</translation>
    </message>
    <message>
        <source>How far it moves; drag it, or type</source>
        <translation>Wie weit sie bewegt; ziehen oder tippen</translation>
    </message>
</context>
<context>
    <name>puretone::app::NoteTable</name>
    <message>
        <source>A♯3, 58 or 233 Hz</source>
        <translation>A♯3, 58 oder 233 Hz</translation>
    </message>
    <message>
        <source>Look up a note</source>
        <translation>Note nachschlagen</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Taste</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Hz</source>
        <translation>Hz</translation>
    </message>
</context>
<context>
    <name>puretone::app::OfferBar</name>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Offer</source>
        <translation>Anbieten</translation>
    </message>
    <message>
        <source>It is offered again at the next start</source>
        <translation>Wird beim nächsten Start wieder angeboten</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
</context>
<context>
    <name>puretone::app::Opening</name>
    <message>
        <source>Open %1</source>
        <translation>%1 öffnen</translation>
    </message>
    <message numerus="yes">
        <source>%1 is ready; %n of its settings are not played here.</source>
        <translation>
            <numerusform>%1 ist bereit; eine seiner Einstellungen wird hier nicht gespielt.</numerusform>
            <numerusform>%1 ist bereit; %n seiner Einstellungen werden hier nicht gespielt.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 is open.</source>
        <translation>%1 ist geöffnet.</translation>
    </message>
    <message>
        <source>%1 is ready: play it on the keys below.</source>
        <translation>%1 ist bereit: auf den Tasten unten spielen.</translation>
    </message>
    <message>
        <source>Replace take</source>
        <translation>Take ersetzen</translation>
    </message>
    <message>
        <source>Add a take</source>
        <translation>Take hinzufügen</translation>
    </message>
    <message>
        <source>Add takes</source>
        <translation>Takes hinzufügen</translation>
    </message>
    <message>
        <source>One file could not be opened. %1</source>
        <translation>Eine Datei ließ sich nicht öffnen. %1</translation>
    </message>
    <message>
        <source>%1 files could not be opened.</source>
        <translation>%1 Dateien ließen sich nicht öffnen.</translation>
    </message>
    <message>
        <source>Stopped: %1 of %2 files have joined.</source>
        <translation>Angehalten: %1 von %2 Dateien sind dazugekommen.</translation>
    </message>
    <message>
        <source>%1 takes are on the keys.</source>
        <translation>%1 Takes liegen auf den Tasten.</translation>
    </message>
    <message>
        <source>%1 has no clear pitch: every key plays it alike. Follow keys changes that.</source>
        <translation>%1 hat keine klare Tonhöhe: Jede Taste spielt es gleich. „Folgt Tasten“ ändert das.</translation>
    </message>
    <message>
        <source>1 take is on the keys.</source>
        <translation>1 Take liegt auf den Tasten.</translation>
    </message>
</context>
<context>
    <name>puretone::app::PathBar</name>
    <message>
        <source>Path</source>
        <translation>Pfad</translation>
    </message>
    <message>
        <source>The stops of the work; arrow keys go from one to the next</source>
        <translation>Die Stationen der Arbeit; Pfeiltasten gehen von einer zur nächsten</translation>
    </message>
    <message>
        <source>Path: %1</source>
        <translation>Pfad: %1</translation>
    </message>
    <message>
        <source>Ctrl+%1</source>
        <translation>Strg+%1</translation>
    </message>
    <message>
        <source>%1  (%2)</source>
        <translation>%1  (%2)</translation>
    </message>
</context>
<context>
    <name>puretone::app::PatternPanel</name>
    <message>
        <source>Tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Beats a minute: of waves in beats, the pattern, and what is listened to</source>
        <translation>Schläge je Minute: von Wellen in Schlägen, vom Muster und vom Zuhören</translation>
    </message>
    <message>
        <source>Change tempo</source>
        <translation>Tempo ändern</translation>
    </message>
    <message>
        <source>Tap tempo</source>
        <translation>Tempo tippen</translation>
    </message>
    <message>
        <source>Tap it in time with the song</source>
        <translation>Im Takt des Stücks tippen</translation>
    </message>
    <message>
        <source>Time comes from</source>
        <translation>Zeit kommt von</translation>
    </message>
    <message>
        <source>The tempo here, or the MIDI clock of another player while it runs</source>
        <translation>Das Tempo hier, oder die MIDI-Clock eines anderen Players, solange sie läuft</translation>
    </message>
    <message>
        <source>this tempo</source>
        <translation>diesem Tempo</translation>
    </message>
    <message>
        <source>MIDI clock</source>
        <translation>MIDI-Clock</translation>
    </message>
    <message>
        <source>Held keys</source>
        <translation>Gehaltene Tasten</translation>
    </message>
    <message>
        <source>Sound as they are, or one after the other in time</source>
        <translation>Klingen, wie sie sind, oder nacheinander im Takt</translation>
    </message>
    <message>
        <source>as they are</source>
        <translation>wie sie sind</translation>
    </message>
    <message>
        <source>as a pattern</source>
        <translation>als Muster</translation>
    </message>
    <message>
        <source>Switch pattern</source>
        <translation>Muster schalten</translation>
    </message>
    <message>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>In which order the keys are played</source>
        <translation>In welcher Reihenfolge die Tasten gespielt werden</translation>
    </message>
    <message>
        <source>up</source>
        <translation>hinauf</translation>
    </message>
    <message>
        <source>down</source>
        <translation>hinab</translation>
    </message>
    <message>
        <source>up and down</source>
        <translation>hinauf und hinab</translation>
    </message>
    <message>
        <source>as played</source>
        <translation>wie gespielt</translation>
    </message>
    <message>
        <source>at random</source>
        <translation>zufällig</translation>
    </message>
    <message>
        <source>together</source>
        <translation>zusammen</translation>
    </message>
    <message>
        <source>Step</source>
        <translation>Schritt</translation>
    </message>
    <message>
        <source>In beats: 0.5 is an eighth note</source>
        <translation>In Schlägen: 0.5 ist eine Achtel</translation>
    </message>
    <message>
        <source>Held for</source>
        <translation>Gehalten für</translation>
    </message>
    <message>
        <source>Of each step; 100 % lets notes be tied</source>
        <translation>Von jedem Schritt; 100 % lässt Töne binden</translation>
    </message>
    <message>
        <source>Swing</source>
        <translation>Swing</translation>
    </message>
    <message>
        <source>How late every second step is</source>
        <translation>Wie spät jeder zweite Schritt kommt</translation>
    </message>
    <message>
        <source>Octaves</source>
        <translation>Oktaven</translation>
    </message>
    <message>
        <source>Over which the keys are repeated</source>
        <translation>Über die die Tasten wiederholt werden</translation>
    </message>
    <message>
        <source>Steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>That come round, each with layers of its own; 0 for one like the other</source>
        <translation>Die wiederkehren, jeder mit eigenen Ebenen; 0, wenn alle gleich sind</translation>
    </message>
    <message>
        <source>Step %1 sounds</source>
        <translation>Schritt %1 klingt</translation>
    </message>
    <message>
        <source>Switches step %1; its layers stand below</source>
        <translation>Schaltet Schritt %1; seine Ebenen stehen darunter</translation>
    </message>
    <message>
        <source>Change pattern</source>
        <translation>Muster ändern</translation>
    </message>
    <message>
        <source>the clock runs at %1</source>
        <translation>die Clock läuft mit %1</translation>
    </message>
    <message>
        <source>no clock comes: the tempo above counts</source>
        <translation>keine Clock kommt: das Tempo darüber zählt</translation>
    </message>
    <message>
        <source>Whether the layer sounds on the step that was clicked last</source>
        <translation>Ob die Ebene in dem Schritt klingt, der zuletzt angeklickt wurde</translation>
    </message>
</context>
<context>
    <name>puretone::app::PitchStop</name>
    <message>
        <source>Pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>Up and Down move the fine tuning by 1 cent, with Shift by 0.1, with Ctrl by 10; + and − move the root key by an octave</source>
        <translation>Auf und Ab bewegen die Feinstimmung um 1 Cent, mit Umschalt um 0,1, mit Strg um 10; + und − den Grundton um eine Oktave</translation>
    </message>
    <message>
        <source>Stand still</source>
        <translation>Stillstehen</translation>
    </message>
    <message>
        <source>Root key</source>
        <translation>Grundton</translation>
    </message>
    <message>
        <source>The key that plays the recording at its own speed</source>
        <translation>Die Taste, die die Aufnahme in ihrem eigenen Tempo spielt</translation>
    </message>
    <message>
        <source>Fine tune</source>
        <translation>Feinstimmung</translation>
    </message>
    <message>
        <source>Moves the sound up or down until it stands in tune with the key</source>
        <translation>Bewegt den Klang hinauf oder hinab, bis er zur Taste stimmt</translation>
    </message>
    <message>
        <source>Octave down</source>
        <translation>Oktave tiefer</translation>
    </message>
    <message>
        <source>The right note, an octave too high (−)</source>
        <translation>Die richtige Note, eine Oktave zu hoch (−)</translation>
    </message>
    <message>
        <source>Octave up</source>
        <translation>Oktave höher</translation>
    </message>
    <message>
        <source>The right note, an octave too low (+)</source>
        <translation>Die richtige Note, eine Oktave zu tief (+)</translation>
    </message>
    <message>
        <source>Use the reading again</source>
        <translation>Lesung wieder nehmen</translation>
    </message>
    <message>
        <source>Root key and fine tune as they were read from the sound</source>
        <translation>Grundton und Feinstimmung, wie sie aus dem Klang gelesen wurden</translation>
    </message>
    <message>
        <source>How notes are named</source>
        <translation>Wie Noten heißen</translation>
    </message>
    <message>
        <source>A4 sounds at</source>
        <translation>A4 klingt mit</translation>
    </message>
    <message>
        <source>What the whole instrument is tuned to; every take is moved along</source>
        <translation>Worauf das ganze Instrument gestimmt ist; alle Takes gehen mit</translation>
    </message>
    <message>
        <source>Middle C is</source>
        <translation>Mittleres C ist</translation>
    </message>
    <message>
        <source>The octave number of MIDI key 60; changes no sound</source>
        <translation>Die Oktavzahl der MIDI-Taste 60; ändert keinen Klang</translation>
    </message>
    <message>
        <source>Black keys</source>
        <translation>Schwarze Tasten</translation>
    </message>
    <message>
        <source>How black keys are written; changes no sound</source>
        <translation>Wie schwarze Tasten geschrieben werden; ändert keinen Klang</translation>
    </message>
    <message>
        <source>sharps</source>
        <translation>Kreuze</translation>
    </message>
    <message>
        <source>flats</source>
        <translation>Bes</translation>
    </message>
    <message>
        <source>Look up a note…</source>
        <translation>Note nachschlagen…</translation>
    </message>
    <message>
        <source>All keys with their number, name and frequency</source>
        <translation>Alle Tasten mit Nummer, Name und Frequenz</translation>
    </message>
    <message>
        <source>Set root key</source>
        <translation>Grundton setzen</translation>
    </message>
    <message>
        <source>Change fine tune</source>
        <translation>Feinstimmung ändern</translation>
    </message>
    <message>
        <source>Choose note</source>
        <translation>Note wählen</translation>
    </message>
    <message>
        <source>Use the reading</source>
        <translation>Lesung nehmen</translation>
    </message>
    <message>
        <source>Tune A4</source>
        <translation>A4 stimmen</translation>
    </message>
    <message>
        <source>Set by hand.</source>
        <translation>Von Hand gesetzt.</translation>
    </message>
    <message>
        <source>From the file.</source>
        <translation>Aus der Datei.</translation>
    </message>
    <message>
        <source>Clear: %1 % sure.</source>
        <translation>Klar: zu %1 % sicher.</translation>
    </message>
    <message>
        <source>Uncertain: %1 % sure. Compare the candidates.</source>
        <translation>Unsicher: zu %1 % sicher. Die Kandidaten vergleichen.</translation>
    </message>
    <message>
        <source>No clear pitch. Set the root key by ear.</source>
        <translation>Keine klare Tonhöhe. Den Grundton nach Gehör setzen.</translation>
    </message>
    <message>
        <source>The sound is %1.</source>
        <translation>Der Klang ist %1.</translation>
    </message>
    <message>
        <source>taken out, %1</source>
        <translation>herausgenommen, %1</translation>
    </message>
    <message>
        <source>a tone of its own, %1</source>
        <translation>ein Ton für sich, %1</translation>
    </message>
    <message>
        <source>marked, %1</source>
        <translation>markiert, %1</translation>
    </message>
    <message>
        <source>How far the recording lies from the key</source>
        <translation>Wie weit die Aufnahme neben der Taste liegt</translation>
    </message>
    <message>
        <source>Open a recording first.</source>
        <translation>Erst eine Aufnahme öffnen.</translation>
    </message>
    <message>
        <source>%1 Hz · key %2</source>
        <translation>%1 Hz · Taste %2</translation>
    </message>
</context>
<context>
    <name>puretone::app::PitchView</name>
    <message>
        <source>Pitch over time</source>
        <translation>Tonhöhe über die Zeit</translation>
    </message>
    <message>
        <source>Following the pitch…</source>
        <translation>Der Tonhöhe wird gefolgt…</translation>
    </message>
    <message>
        <source>steadiest</source>
        <translation>am ruhigsten</translation>
    </message>
    <message>
        <source>nothing repeats here</source>
        <translation>hier wiederholt sich nichts</translation>
    </message>
    <message>
        <source>where the sound dwells</source>
        <translation>wo der Klang verweilt</translation>
    </message>
</context>
<context>
    <name>puretone::app::PlaceStrip</name>
    <message>
        <source>Frozen place</source>
        <translation>Eingefrorene Stelle</translation>
    </message>
    <message>
        <source>Drag the post to the moment that is held; the arrows move it, with Shift finer</source>
        <translation>Den Pfosten auf den Moment ziehen, der gehalten wird; die Pfeile bewegen ihn, mit Umschalt feiner</translation>
    </message>
</context>
<context>
    <name>puretone::app::PlayedSheet</name>
    <message>
        <source>What was played</source>
        <translation>Was gespielt wurde</translation>
    </message>
    <message>
        <source>Save notes…</source>
        <translation>Noten sichern…</translation>
    </message>
    <message>
        <source>Make it a take</source>
        <translation>Zum Take machen</translation>
    </message>
    <message>
        <source>Save sound…</source>
        <translation>Klang sichern…</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>%1 are chosen.</source>
        <translation>%1 sind gewählt.</translation>
    </message>
    <message>
        <source>Nothing was played yet.</source>
        <translation>Noch wurde nichts gespielt.</translation>
    </message>
    <message>
        <source>%1 is written.</source>
        <translation>%1 ist geschrieben.</translation>
    </message>
    <message>
        <source>Save what was played</source>
        <translation>Gespieltes sichern</translation>
    </message>
    <message>
        <source>played.wav</source>
        <translation>gespielt.wav</translation>
    </message>
    <message>
        <source>Save the notes that were played</source>
        <translation>Die gespielten Noten sichern</translation>
    </message>
    <message>
        <source>played.mid</source>
        <translation>gespielt.mid</translation>
    </message>
    <message>
        <source>MIDI files (*.mid)</source>
        <translation>MIDI-Dateien (*.mid)</translation>
    </message>
</context>
<context>
    <name>puretone::app::PlayedStrip</name>
    <message>
        <source>What was played</source>
        <translation>Was gespielt wurde</translation>
    </message>
    <message>
        <source>Drag across what is to be kept, or move either end</source>
        <translation>Über das ziehen, was behalten wird, oder ein Ende bewegen</translation>
    </message>
    <message>
        <source>%1 ago</source>
        <translation>vor %1</translation>
    </message>
    <message>
        <source>%1 minutes ago</source>
        <translation>vor %1 Minuten</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
</context>
<context>
    <name>puretone::app::Player</name>
    <message>
        <source> Playing through the simulated output.</source>
        <translation> Gespielt wird über die simulierte Ausgabe.</translation>
    </message>
    <message>
        <source>opening…</source>
        <translation>wird geöffnet…</translation>
    </message>
    <message>
        <source>no output</source>
        <translation>keine Ausgabe</translation>
    </message>
    <message>
        <source>%1, %2 frames</source>
        <translation>%1, %2 Frames</translation>
    </message>
    <message>
        <source>no keyboard</source>
        <translation>keine Tastatur</translation>
    </message>
    <message>
        <source>%1 has gone. Playing through the simulated output until it is back; another can be chosen below the meter.</source>
        <translation>%1 ist verschwunden. Bis es wieder da ist, wird über die simulierte Ausgabe gespielt; eine andere lässt sich unter dem Pegel wählen.</translation>
    </message>
    <message>
        <source>%1 has gone. Choose another input.</source>
        <translation>%1 ist verschwunden. Bitte einen anderen Eingang wählen.</translation>
    </message>
    <message>
        <source>%1 has gone. The keys on the screen still play; it is heard again as soon as it is back.</source>
        <translation>%1 ist verschwunden. Die Tasten auf dem Bildschirm spielen weiter; sobald sie wieder da ist, wird sie gehört.</translation>
    </message>
    <message>
        <source>%1 is back.</source>
        <translation>%1 ist wieder da.</translation>
    </message>
</context>
<context>
    <name>puretone::app::PrintPanel</name>
    <message>
        <source>Print</source>
        <translation>Drucken</translation>
    </message>
    <message>
        <source>Print anew</source>
        <translation>Neu drucken</translation>
    </message>
    <message>
        <source>Makes this take again from its layers and effects as they are now; one step to undo</source>
        <translation>Macht diesen Take aus Ebenen und Effekten neu, wie sie jetzt sind; ein Schritt zum Rückgängigmachen</translation>
    </message>
    <message>
        <source>Many keys…</source>
        <translation>Viele Tasten…</translation>
    </message>
    <message>
        <source>Prints a row of keys at once, into takes or files</source>
        <translation>Druckt eine Reihe von Tasten auf einmal, in Takes oder Dateien</translation>
    </message>
    <message>
        <source>Print a take</source>
        <translation>Take drucken</translation>
    </message>
    <message>
        <source>What is heard becomes a new take, and remembers what it was made of</source>
        <translation>Was zu hören ist, wird ein neuer Take und merkt sich, woraus er gemacht ist</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Taste</translation>
    </message>
    <message>
        <source>The key that is printed; it becomes the root of the print</source>
        <translation>Die Taste, die gedruckt wird; sie wird der Grundton des Drucks</translation>
    </message>
    <message>
        <source>Touch</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>How hard it is pressed</source>
        <translation>Wie fest sie gedrückt wird</translation>
    </message>
    <message>
        <source>Held</source>
        <translation>Gehalten</translation>
    </message>
    <message>
        <source>Until the key is let go</source>
        <translation>Bis die Taste losgelassen wird</translation>
    </message>
    <message>
        <source>its tail</source>
        <translation>sein Nachklang</translation>
    </message>
    <message>
        <source>All that rings on once the key is let go</source>
        <translation>Alles, was nach dem Loslassen weiterklingt</translation>
    </message>
    <message>
        <source>effects</source>
        <translation>Effekte</translation>
    </message>
    <message>
        <source>Through the chain as it is</source>
        <translation>Durch die Kette, wie sie ist</translation>
    </message>
    <message>
        <source>shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>With envelopes, filter and movements</source>
        <translation>Mit Hüllkurven, Filter und Bewegungen</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>Mono</translation>
    </message>
    <message>
        <source>Both sides mixed to one</source>
        <translation>Beide Seiten zu einer gemischt</translation>
    </message>
    <message>
        <source>Just played</source>
        <translation>Eben gespielt</translation>
    </message>
    <message>
        <source>Keep it…</source>
        <translation>Behalten…</translation>
    </message>
    <message>
        <source>Writes the chosen stretch as a sound file</source>
        <translation>Schreibt die gewählte Strecke als Klangdatei</translation>
    </message>
    <message>
        <source>As a take</source>
        <translation>Als Take</translation>
    </message>
    <message>
        <source>Adds the chosen stretch to the takes</source>
        <translation>Fügt die gewählte Strecke den Takes hinzu</translation>
    </message>
    <message>
        <source>Save what was played</source>
        <translation>Gespieltes sichern</translation>
    </message>
    <message>
        <source>played.wav</source>
        <translation>gespielt.wav</translation>
    </message>
    <message>
        <source>Stop (%1 %)</source>
        <translation>Anhalten (%1 %)</translation>
    </message>
    <message>
        <source>what is heard becomes a new take, and remembers what it was made of</source>
        <translation>was zu hören ist, wird ein neuer Take und merkt sich, woraus er gemacht ist</translation>
    </message>
    <message>
        <source>. Its sources have changed since</source>
        <translation>. Seine Quellen haben sich seither geändert</translation>
    </message>
</context>
<context>
    <name>puretone::app::PrintSheet</name>
    <message>
        <source>Print many keys</source>
        <translation>Viele Tasten drucken</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>The lowest key</source>
        <translation>Die tiefste Taste</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Bis</translation>
    </message>
    <message>
        <source>No key above this one</source>
        <translation>Keine Taste darüber</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Semitones from one printed key to the next</source>
        <translation>Halbtöne von einer gedruckten Taste zur nächsten</translation>
    </message>
    <message>
        <source>Touches</source>
        <translation>Anschläge</translation>
    </message>
    <message>
        <source>Several touches make ranges of touch; each takes as long again</source>
        <translation>Mehrere Anschläge ergeben Bereiche; jeder dauert noch einmal so lang</translation>
    </message>
    <message>
        <source>100</source>
        <translation>100</translation>
    </message>
    <message>
        <source>60 and 110</source>
        <translation>60 und 110</translation>
    </message>
    <message>
        <source>40, 80 and 120</source>
        <translation>40, 80 und 120</translation>
    </message>
    <message>
        <source>Into files…</source>
        <translation>In Dateien…</translation>
    </message>
    <message>
        <source>Into takes</source>
        <translation>In Takes</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Choose a folder for the prints</source>
        <translation>Ordner für die Drucke wählen</translation>
    </message>
    <message>
        <source>No layer plays any of these keys.</source>
        <translation>Keine Ebene spielt eine dieser Tasten.</translation>
    </message>
    <message>
        <source>%1 prints. They come to stand on a layer of their own, spread halfway between each other.</source>
        <translation>%1 Drucke. Sie kommen auf eine eigene Ebene, auf halbem Weg voneinander getrennt.</translation>
    </message>
    <message>
        <source>Replace files?</source>
        <translation>Dateien ersetzen?</translation>
    </message>
    <message>
        <source>%1 already exists in this folder.</source>
        <translation>%1 gibt es in diesem Ordner schon.</translation>
    </message>
    <message>
        <source>%1 files already exist in this folder, %2 among them.</source>
        <translation>%1 Dateien gibt es in diesem Ordner schon, darunter %2.</translation>
    </message>
    <message>
        <source>Keep them</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
</context>
<context>
    <name>puretone::app::PrintView</name>
    <message>
        <source>What a print will be</source>
        <translation>Was ein Druck sein wird</translation>
    </message>
    <message>
        <source>listening to what it will be…</source>
        <translation>hört, was es sein wird…</translation>
    </message>
    <message>
        <source>Nothing can be printed: %1.</source>
        <translation>Nichts lässt sich drucken: %1.</translation>
    </message>
    <message>
        <source>key let go</source>
        <translation>Taste losgelassen</translation>
    </message>
</context>
<context>
    <name>puretone::app::Printing</name>
    <message>
        <source>Print a take</source>
        <translation>Take drucken</translation>
    </message>
    <message>
        <source>There is no room for it: take a layer or some takes away first.</source>
        <translation>Dafür ist kein Platz: erst einige Ebenen oder Takes entfernen.</translation>
    </message>
    <message>
        <source>%1 is printed and sounds alone now: the layers and effects that are in it are switched off.</source>
        <translation>%1 ist gedruckt und klingt jetzt allein: Ebenen und Effekte, die darin sind, sind ausgeschaltet.</translation>
    </message>
    <message>
        <source>It cannot be printed anew: %1.</source>
        <translation>Neu drucken geht nicht: %1.</translation>
    </message>
    <message>
        <source>Print anew</source>
        <translation>Neu drucken</translation>
    </message>
    <message>
        <source>The take is printed anew from its sources as they are now.</source>
        <translation>Der Take ist neu gedruckt, aus seinen Quellen, wie sie jetzt sind.</translation>
    </message>
    <message>
        <source>No layer plays any of these keys.</source>
        <translation>Keine Ebene spielt eine dieser Tasten.</translation>
    </message>
    <message>
        <source>Print many keys</source>
        <translation>Viele Tasten drucken</translation>
    </message>
    <message>
        <source>%1 keys are printed and sound alone now.</source>
        <translation>%1 Tasten sind gedruckt und klingen jetzt allein.</translation>
    </message>
    <message>
        <source>%1 files are written to %2.</source>
        <translation>%1 Dateien sind nach %2 geschrieben.</translation>
    </message>
</context>
<context>
    <name>puretone::app::RecordPanel</name>
    <message>
        <source>Records the input, with the two seconds before (Ctrl+R)</source>
        <translation>Nimmt den Eingang auf, mit den zwei Sekunden davor (Strg+R)</translation>
    </message>
    <message>
        <source>Input level</source>
        <translation>Eingangspegel</translation>
    </message>
    <message>
        <source>Input level, −60 to 0 dB; the line is the held peak. Click to forget it.</source>
        <translation>Eingangspegel, −60 bis 0 dB; der Strich ist die gehaltene Spitze. Anklicken, um sie zu vergessen.</translation>
    </message>
    <message>
        <source>The input reached full scale: make the source softer and record again</source>
        <translation>Der Eingang war voll ausgesteuert: die Quelle leiser machen und neu aufnehmen</translation>
    </message>
    <message>
        <source>Input</source>
        <translation>Eingang</translation>
    </message>
    <message>
        <source>Where the sound comes from</source>
        <translation>Woher der Klang kommt</translation>
    </message>
    <message>
        <source>Hear it</source>
        <translation>Mithören</translation>
    </message>
    <message>
        <source>Plays the input through the output; use headphones where a microphone hears it</source>
        <translation>Spielt den Eingang über die Ausgabe; Kopfhörer nehmen, wo ein Mikrofon sie hört</translation>
    </message>
    <message>
        <source>Starts</source>
        <translation>Beginnt</translation>
    </message>
    <message>
        <source>When the button is pressed, or by itself when the input gets this loud</source>
        <translation>Wenn der Knopf gedrückt wird, oder von selbst, wenn der Eingang so laut wird</translation>
    </message>
    <message>
        <source>at once</source>
        <translation>sofort</translation>
    </message>
    <message>
        <source>at a level</source>
        <translation>bei einem Pegel</translation>
    </message>
    <message>
        <source>of</source>
        <translation>von</translation>
    </message>
    <message>
        <source>Recording begins when the input reaches this peak</source>
        <translation>Die Aufnahme beginnt, wenn der Eingang diese Spitze erreicht</translation>
    </message>
    <message>
        <source>Ends</source>
        <translation>Endet</translation>
    </message>
    <message>
        <source>When the button is pressed again, or by itself after silence</source>
        <translation>Wenn der Knopf noch einmal gedrückt wird, oder von selbst nach Stille</translation>
    </message>
    <message>
        <source>by hand</source>
        <translation>von Hand</translation>
    </message>
    <message>
        <source>after silence</source>
        <translation>nach Stille</translation>
    </message>
    <message>
        <source>Recording ends after so much time below -50 dB</source>
        <translation>Die Aufnahme endet nach so viel Zeit unter −50 dB</translation>
    </message>
    <message>
        <source>No input is open. Choose one beside the record button.</source>
        <translation>Kein Eingang ist offen. Neben dem Aufnahmeknopf einen wählen.</translation>
    </message>
    <message>
        <source>Nothing was recorded.</source>
        <translation>Nichts wurde aufgenommen.</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>No input is open: choose one.</source>
        <translation>Kein Eingang ist offen: einen wählen.</translation>
    </message>
    <message>
        <source>■ clipped</source>
        <translation>■ übersteuert</translation>
    </message>
    <message>
        <source>■  Stop</source>
        <translation>■  Anhalten</translation>
    </message>
    <message>
        <source>■  Do not wait</source>
        <translation>■  Nicht warten</translation>
    </message>
    <message>
        <source>●  Record</source>
        <translation>●  Aufnehmen</translation>
    </message>
    <message>
        <source>%1:%2.%3</source>
        <translation>%1:%2.%3</translation>
    </message>
    <message>
        <source>Waiting for a sound</source>
        <translation>Wartet auf einen Klang</translation>
    </message>
    <message>
        <source>Listening</source>
        <translation>Hört zu</translation>
    </message>
    <message>
        <source>the last two seconds count when you start</source>
        <translation>die letzten zwei Sekunden zählen mit</translation>
    </message>
    <message>
        <source>%1 free on the disk, enough for %2</source>
        <translation>%1 frei auf dem Datenträger, genug für %2</translation>
    </message>
    <message>
        <source>%1 hours</source>
        <translation>%1 Stunden</translation>
    </message>
    <message>
        <source>%1 minutes</source>
        <translation>%1 Minuten</translation>
    </message>
</context>
<context>
    <name>puretone::app::Saving</name>
    <message>
        <source>%1 is open in another window of Pure Tone, too: save it under another name here, or the window that saves last wins.</source>
        <translation>%1 ist auch in einem anderen Fenster von Pure Tone offen: hier unter anderem Namen sichern, sonst gewinnt das Fenster, das zuletzt sichert.</translation>
    </message>
    <message>
        <source>%1 is saved. %2</source>
        <translation>%1 ist gesichert. %2</translation>
    </message>
    <message>
        <source>Recover %1</source>
        <translation>%1 wiederherstellen</translation>
    </message>
    <message>
        <source>%1 is as it was, with all that can be undone. Save it to keep it.</source>
        <translation>%1 ist, wie es war, mit allem, was sich rückgängig machen lässt. Sichern, um es zu behalten.</translation>
    </message>
    <message>
        <source>%1 instruments are as they were; undo goes from one to the one before.</source>
        <translation>%1 Instrumente sind, wie sie waren; Rückgängig führt von einem zum vorigen.</translation>
    </message>
</context>
<context>
    <name>puretone::app::SeamBars</name>
    <message>
        <source>Seam measures</source>
        <translation>Nahtmaße</translation>
    </message>
    <message>
        <source>Each bar ends at the level from which a seam begins to be heard</source>
        <translation>Jeder Balken endet bei dem Pegel, ab dem eine Naht zu hören ist</translation>
    </message>
    <message>
        <source>click</source>
        <translation>Klick</translation>
    </message>
    <message>
        <source>level step</source>
        <translation>Pegelsprung</translation>
    </message>
    <message>
        <source>timbre step</source>
        <translation>Farbsprung</translation>
    </message>
    <message>
        <source>change</source>
        <translation>Änderung</translation>
    </message>
    <message>
        <source>dip</source>
        <translation>Senke</translation>
    </message>
    <message>
        <source>pulse</source>
        <translation>Puls</translation>
    </message>
    <message>
        <source>pitch</source>
        <translation>Tonhöhe</translation>
    </message>
</context>
<context>
    <name>puretone::app::SeamMapView</name>
    <message>
        <source>Seam map</source>
        <translation>Nahtkarte</translation>
    </message>
    <message>
        <source>How well every loop would close: bright where its end sounds like its beginning. Click to loop there</source>
        <translation>Wie gut jeder Loop schlösse: hell, wo sein Ende klingt wie sein Anfang. Anklicken, um dort zu loopen</translation>
    </message>
    <message>
        <source>begin →  length ↑</source>
        <translation>Anfang →  Länge ↑</translation>
    </message>
    <message>
        <source>begin %1, length %2</source>
        <translation>Anfang %1, Länge %2</translation>
    </message>
    <message>
        <source>too short for a map</source>
        <translation>zu kurz für eine Karte</translation>
    </message>
    <message>
        <source>drawing…</source>
        <translation>wird gezeichnet…</translation>
    </message>
</context>
<context>
    <name>puretone::app::SeamView</name>
    <message>
        <source>Seam close-up</source>
        <translation>Naht aus der Nähe</translation>
    </message>
    <message>
        <source>The end of the loop laid over its beginning; the closer they run, the less the joint is heard. Drag to move the end, turn the wheel to zoom</source>
        <translation>Das Ende des Loops über seinem Anfang; je näher sie laufen, desto weniger ist die Naht zu hören. Ziehen verschiebt das Ende, das Rad vergrößert</translation>
    </message>
    <message>
        <source>The seam: </source>
        <translation>Die Naht: </translation>
    </message>
    <message>
        <source>no loop</source>
        <translation>kein Loop</translation>
    </message>
    <message>
        <source>end (dashed)</source>
        <translation>Ende (gestrichelt)</translation>
    </message>
    <message>
        <source> over beginning</source>
        <translation> über Anfang</translation>
    </message>
</context>
<context>
    <name>puretone::app::Session</name>
    <message>
        <source>Remove take</source>
        <translation>Take entfernen</translation>
    </message>
    <message>
        <source>New instrument</source>
        <translation>Neues Instrument</translation>
    </message>
    <message>
        <source>Undone: %1.</source>
        <translation>Rückgängig: %1.</translation>
    </message>
    <message>
        <source>Redone: %1.</source>
        <translation>Wiederhergestellt: %1.</translation>
    </message>
    <message>
        <source>Lay out by roots</source>
        <translation>Nach Grundtönen auslegen</translation>
    </message>
    <message>
        <source>Change split</source>
        <translation>Teilung ändern</translation>
    </message>
</context>
<context>
    <name>puretone::app::SettingsSheet</name>
    <message>
        <source>Settings</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Theme</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>Warm paper, deep slate, or whichever the desktop has</source>
        <translation>Warmes Papier, tiefer Schiefer, oder was das System hat</translation>
    </message>
    <message>
        <source>Daybreak</source>
        <translation>Tagesanbruch</translation>
    </message>
    <message>
        <source>Night watch</source>
        <translation>Nachtwache</translation>
    </message>
    <message>
        <source>as the desktop</source>
        <translation>wie das System</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>What the window says; another one from the next start on</source>
        <translation>Was das Fenster sagt; eine andere ab dem nächsten Start</translation>
    </message>
    <message>
        <source>Middle C is</source>
        <translation>Mittleres C ist</translation>
    </message>
    <message>
        <source>The octave number of MIDI key 60; changes no sound</source>
        <translation>Die Oktavzahl der MIDI-Taste 60; ändert keinen Klang</translation>
    </message>
    <message>
        <source>Black keys</source>
        <translation>Schwarze Tasten</translation>
    </message>
    <message>
        <source>How black keys are written; changes no sound</source>
        <translation>Wie schwarze Tasten geschrieben werden; ändert keinen Klang</translation>
    </message>
    <message>
        <source>sharps</source>
        <translation>Kreuze</translation>
    </message>
    <message>
        <source>flats</source>
        <translation>Bes</translation>
    </message>
    <message>
        <source>A4 of new ones</source>
        <translation>A4 neuer Instrumente</translation>
    </message>
    <message>
        <source>What new instruments are tuned to; the stop Pitch changes one that is open</source>
        <translation>Worauf neue Instrumente gestimmt sind; die Station Tonhöhe ändert eines, das offen ist</translation>
    </message>
    <message>
        <source>Undo keeps</source>
        <translation>Rückgängig behält</translation>
    </message>
    <message>
        <source>Memory for recordings that only undo still wants; beyond it the oldest steps go</source>
        <translation>Speicher für Aufnahmen, die nur noch Rückgängig braucht; darüber gehen die ältesten Schritte</translation>
    </message>
    <message>
        <source>Held now</source>
        <translation>Jetzt gehalten</translation>
    </message>
    <message>
        <source>Recordings in memory for undo alone, and treated sounds kept for it</source>
        <translation>Aufnahmen, die nur für Rückgängig im Speicher sind, und bearbeitete Klänge dafür</translation>
    </message>
    <message>
        <source>Where recordings go; those that are there stay</source>
        <translation>Wohin Aufnahmen kommen; vorhandene bleiben</translation>
    </message>
    <message>
        <source>Devices are chosen below the meter, at the right of the keys.</source>
        <translation>Geräte werden unter dem Pegel gewählt, rechts von den Tasten.</translation>
    </message>
    <message>
        <source>Folder for recordings</source>
        <translation>Ordner für Aufnahmen</translation>
    </message>
    <message>
        <source>Recordings: %1</source>
        <translation>Aufnahmen: %1</translation>
    </message>
</context>
<context>
    <name>puretone::app::ShapePanel</name>
    <message>
        <source>Curves, touch and keys</source>
        <translation>Kurven, Anschlag und Tasten</translation>
    </message>
    <message>
        <source>Second envelope</source>
        <translation>Zweite Hüllkurve</translation>
    </message>
    <message>
        <source>Unison and tuning</source>
        <translation>Unisono und Stimmung</translation>
    </message>
    <message>
        <source>Inner start</source>
        <translation>Innerer Anfang</translation>
    </message>
    <message>
        <source>Delay</source>
        <translation>Verzögerung</translation>
    </message>
    <message>
        <source>Silence between the key and the sound</source>
        <translation>Stille zwischen Taste und Klang</translation>
    </message>
    <message>
        <source>Change delay</source>
        <translation>Verzögerung ändern</translation>
    </message>
    <message>
        <source>Attack</source>
        <translation>Anstieg</translation>
    </message>
    <message>
        <source>How long the sound takes to rise: long ones make a pad</source>
        <translation>Wie lange der Klang zum Anschwellen braucht: lang wird es ein Pad</translation>
    </message>
    <message>
        <source>Change attack</source>
        <translation>Anstieg ändern</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>How long it stays at full level before it falls</source>
        <translation>Wie lange er auf vollem Pegel bleibt, bevor er fällt</translation>
    </message>
    <message>
        <source>Change hold</source>
        <translation>Halten ändern</translation>
    </message>
    <message>
        <source>Decay</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>How long it takes to fall to the sustain level</source>
        <translation>Wie lange er bis zum Haltepegel fällt</translation>
    </message>
    <message>
        <source>Change decay</source>
        <translation>Abfall ändern</translation>
    </message>
    <message>
        <source>Sustain</source>
        <translation>Haltepegel</translation>
    </message>
    <message>
        <source>The level that a held key stays at; silent makes a pluck</source>
        <translation>Der Pegel, auf dem eine gehaltene Taste bleibt; still ergibt ein Zupfen</translation>
    </message>
    <message>
        <source>Change sustain</source>
        <translation>Haltepegel ändern</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>How long it takes to die away by 60 dB after the key is let go</source>
        <translation>Wie lange es nach dem Loslassen dauert, um 60 dB zu verklingen</translation>
    </message>
    <message>
        <source>Change release</source>
        <translation>Ausklang ändern</translation>
    </message>
    <message>
        <source>Attack curve</source>
        <translation>Anstiegskurve</translation>
    </message>
    <message>
        <source>Above 0 it rises slowly at first, below 0 quickly; also bent in the picture</source>
        <translation>Über 0 steigt er erst langsam, unter 0 schnell; auch im Bild zu biegen</translation>
    </message>
    <message>
        <source>Bend attack</source>
        <translation>Anstieg biegen</translation>
    </message>
    <message>
        <source>Decay curve</source>
        <translation>Abfallkurve</translation>
    </message>
    <message>
        <source>Above 0 it stays loud for longer, below 0 it drops</source>
        <translation>Über 0 bleibt er länger laut, unter 0 fällt er ab</translation>
    </message>
    <message>
        <source>Bend decay</source>
        <translation>Abfall biegen</translation>
    </message>
    <message>
        <source>Release curve</source>
        <translation>Ausklangkurve</translation>
    </message>
    <message>
        <source>Bend release</source>
        <translation>Ausklang biegen</translation>
    </message>
    <message>
        <source>Times by touch</source>
        <translation>Zeiten nach Anschlag</translation>
    </message>
    <message>
        <source>Octaves by which all times grow at full touch: -2 makes hard notes four times as fast</source>
        <translation>Oktaven, um die alle Zeiten bei vollem Anschlag wachsen: −2 macht harte Töne viermal so schnell</translation>
    </message>
    <message>
        <source>Change times by touch</source>
        <translation>Zeiten nach Anschlag ändern</translation>
    </message>
    <message>
        <source>Times by keys</source>
        <translation>Zeiten nach Tasten</translation>
    </message>
    <message>
        <source>Octaves for each octave of the keys: -1 halves all times an octave higher</source>
        <translation>Oktaven für jede Oktave der Tasten: −1 halbiert alle Zeiten eine Oktave höher</translation>
    </message>
    <message>
        <source>Change times by keys</source>
        <translation>Zeiten nach Tasten ändern</translation>
    </message>
    <message>
        <source>Touch</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>How far touch makes louder: 0 % plays every note at full level</source>
        <translation>Wie sehr der Anschlag lauter macht: bei 0 % spielt jeder Ton mit vollem Pegel</translation>
    </message>
    <message>
        <source>Change touch</source>
        <translation>Anschlag ändern</translation>
    </message>
    <message>
        <source>Filter</source>
        <translation>Filter</translation>
    </message>
    <message>
        <source>What it lets through</source>
        <translation>Was er durchlässt</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>low</source>
        <translation>tief</translation>
    </message>
    <message>
        <source>high</source>
        <translation>hoch</translation>
    </message>
    <message>
        <source>band</source>
        <translation>Band</translation>
    </message>
    <message>
        <source>notch</source>
        <translation>Kerbe</translation>
    </message>
    <message>
        <source>Choose filter</source>
        <translation>Filter wählen</translation>
    </message>
    <message>
        <source>Slope</source>
        <translation>Steilheit</translation>
    </message>
    <message>
        <source>How steeply it takes away, per octave</source>
        <translation>Wie steil er wegnimmt, je Oktave</translation>
    </message>
    <message>
        <source>12 dB</source>
        <translation>12 dB</translation>
    </message>
    <message>
        <source>24 dB</source>
        <translation>24 dB</translation>
    </message>
    <message>
        <source>Change slope</source>
        <translation>Steilheit ändern</translation>
    </message>
    <message>
        <source>Cutoff</source>
        <translation>Grenze</translation>
    </message>
    <message>
        <source>Where it begins to take away</source>
        <translation>Wo er anfängt wegzunehmen</translation>
    </message>
    <message>
        <source>Move cutoff</source>
        <translation>Grenzfrequenz verschieben</translation>
    </message>
    <message>
        <source>Resonance</source>
        <translation>Resonanz</translation>
    </message>
    <message>
        <source>How much it rings at the cutoff</source>
        <translation>Wie sehr er an der Grenze schwingt</translation>
    </message>
    <message>
        <source>Change resonance</source>
        <translation>Resonanz ändern</translation>
    </message>
    <message>
        <source>By keys</source>
        <translation>Nach Tasten</translation>
    </message>
    <message>
        <source>How far the cutoff follows the keys, from C4 (60) on</source>
        <translation>Wie weit die Grenze den Tasten folgt, ab C4 (60)</translation>
    </message>
    <message>
        <source>Change cutoff by keys</source>
        <translation>Grenze nach Tasten ändern</translation>
    </message>
    <message>
        <source>By touch</source>
        <translation>Nach Anschlag</translation>
    </message>
    <message>
        <source>Octaves of cutoff at full touch</source>
        <translation>Oktaven der Grenze bei vollem Anschlag</translation>
    </message>
    <message>
        <source>Change cutoff by touch</source>
        <translation>Grenze nach Anschlag ändern</translation>
    </message>
    <message>
        <source>Sweep</source>
        <translation>Schwenk</translation>
    </message>
    <message>
        <source>Octaves by which the second envelope moves the cutoff</source>
        <translation>Oktaven, um die die zweite Hüllkurve die Grenze bewegt</translation>
    </message>
    <message>
        <source>Change sweep</source>
        <translation>Schwenk ändern</translation>
    </message>
    <message>
        <source>Drive</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Pushes the sound into a soft ceiling before the filter: denser and brighter</source>
        <translation>Drückt den Klang vor dem Filter in eine weiche Decke: dichter und heller</translation>
    </message>
    <message>
        <source>Change drive</source>
        <translation>Sättigung ändern</translation>
    </message>
    <message>
        <source>Change second envelope</source>
        <translation>Zweite Hüllkurve ändern</translation>
    </message>
    <message>
        <source>Second delay</source>
        <translation>Zweite Verzögerung</translation>
    </message>
    <message>
        <source>Before it rises</source>
        <translation>Bevor sie steigt</translation>
    </message>
    <message>
        <source>Second attack</source>
        <translation>Zweiter Anstieg</translation>
    </message>
    <message>
        <source>How long it takes to rise</source>
        <translation>Wie lange sie steigt</translation>
    </message>
    <message>
        <source>Second hold</source>
        <translation>Zweites Halten</translation>
    </message>
    <message>
        <source>How long it stays</source>
        <translation>Wie lange sie bleibt</translation>
    </message>
    <message>
        <source>Second decay</source>
        <translation>Zweiter Abfall</translation>
    </message>
    <message>
        <source>How long it takes to fall</source>
        <translation>Wie lange sie fällt</translation>
    </message>
    <message>
        <source>Second sustain</source>
        <translation>Zweiter Haltepegel</translation>
    </message>
    <message>
        <source>Where it stays while a key is held</source>
        <translation>Wo sie bleibt, solange eine Taste gehalten wird</translation>
    </message>
    <message>
        <source>Second release</source>
        <translation>Zweiter Ausklang</translation>
    </message>
    <message>
        <source>How long it takes to fall after the key is let go</source>
        <translation>Wie lange sie nach dem Loslassen fällt</translation>
    </message>
    <message>
        <source>Second curve</source>
        <translation>Zweite Kurve</translation>
    </message>
    <message>
        <source>Of its decay: above 0 it stays up for longer</source>
        <translation>Ihres Abfalls: über 0 bleibt sie länger oben</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>How many notes sound at once. Tied: the sounding note goes on to the next key, without a new attack.</source>
        <translation>Wie viele Töne zugleich klingen. Gebunden: der klingende Ton geht zur nächsten Taste weiter, ohne neuen Anstieg.</translation>
    </message>
    <message>
        <source>many</source>
        <translation>viele</translation>
    </message>
    <message>
        <source>one</source>
        <translation>einer</translation>
    </message>
    <message>
        <source>one, tied</source>
        <translation>einer, legato</translation>
    </message>
    <message>
        <source>Change notes</source>
        <translation>Töne ändern</translation>
    </message>
    <message>
        <source>Glide</source>
        <translation>Gleiten</translation>
    </message>
    <message>
        <source>Slides from note to note</source>
        <translation>Gleitet von Ton zu Ton</translation>
    </message>
    <message>
        <source>Change glide</source>
        <translation>Gleiten ändern</translation>
    </message>
    <message>
        <source>Glide lasts</source>
        <translation>Gleiten dauert</translation>
    </message>
    <message>
        <source>As long for every way, or longer the further it goes</source>
        <translation>Für jeden Weg gleich lang, oder länger, je weiter es geht</translation>
    </message>
    <message>
        <source>for all of it</source>
        <translation>für den Weg</translation>
    </message>
    <message>
        <source>for each octave</source>
        <translation>für jede Oktave</translation>
    </message>
    <message>
        <source>Glides</source>
        <translation>Gleitet</translation>
    </message>
    <message>
        <source>Whether a note that was let go is glided from</source>
        <translation>Ob von einem losgelassenen Ton aus geglitten wird</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>while held</source>
        <translation>nur gebunden</translation>
    </message>
    <message>
        <source>Bend</source>
        <translation>Biegen</translation>
    </message>
    <message>
        <source>Semitones that the pitch wheel reaches up and down</source>
        <translation>Halbtöne, die das Tonhöhenrad hinauf und hinab reicht</translation>
    </message>
    <message>
        <source>Change bend</source>
        <translation>Biegen ändern</translation>
    </message>
    <message>
        <source>At once</source>
        <translation>Zugleich</translation>
    </message>
    <message>
        <source>Notes at once; the oldest makes room</source>
        <translation>Töne zugleich; der älteste macht Platz</translation>
    </message>
    <message>
        <source>Change notes at once</source>
        <translation>Zahl der Töne ändern</translation>
    </message>
    <message>
        <source>Unison</source>
        <translation>Unisono</translation>
    </message>
    <message>
        <source>Voices that sound every note together</source>
        <translation>Stimmen, die jeden Ton gemeinsam spielen</translation>
    </message>
    <message>
        <source>Change unison</source>
        <translation>Unisono ändern</translation>
    </message>
    <message>
        <source>Detune</source>
        <translation>Verstimmung</translation>
    </message>
    <message>
        <source>How far the outer ones of them stand beside the pitch</source>
        <translation>Wie weit die äußeren neben der Tonhöhe stehen</translation>
    </message>
    <message>
        <source>Change detune</source>
        <translation>Verstimmung ändern</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>How far they stand apart, left to right</source>
        <translation>Wie weit sie von links nach rechts auseinanderstehen</translation>
    </message>
    <message>
        <source>Change width</source>
        <translation>Breite ändern</translation>
    </message>
    <message>
        <source>Phase</source>
        <translation>Phase</translation>
    </message>
    <message>
        <source>How far apart their waves begin, by chance: 0 % makes all notes begin alike</source>
        <translation>Wie weit ihre Wellen zufällig versetzt beginnen: bei 0 % beginnen alle Töne gleich</translation>
    </message>
    <message>
        <source>Change phase</source>
        <translation>Phase ändern</translation>
    </message>
    <message>
        <source>Octave</source>
        <translation>Oktave</translation>
    </message>
    <message>
        <source>Octaves up or down</source>
        <translation>Oktaven hinauf oder hinab</translation>
    </message>
    <message>
        <source>Change octave</source>
        <translation>Oktave ändern</translation>
    </message>
    <message>
        <source>Fine tune</source>
        <translation>Feinstimmung</translation>
    </message>
    <message>
        <source>Of the whole layer</source>
        <translation>Der ganzen Ebene</translation>
    </message>
    <message>
        <source>Tune layer</source>
        <translation>Ebene stimmen</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Left or right</source>
        <translation>Links oder rechts</translation>
    </message>
    <message>
        <source>Place layer</source>
        <translation>Ebene setzen</translation>
    </message>
    <message>
        <source>Used</source>
        <translation>Genutzt</translation>
    </message>
    <message>
        <source>Which notes begin behind the attack instead of at the start</source>
        <translation>Welche Töne hinter dem Anschlag beginnen statt am Anfang</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>by softer notes</source>
        <translation>von leiseren Tönen</translation>
    </message>
    <message>
        <source>by harder notes</source>
        <translation>von lauteren Tönen</translation>
    </message>
    <message>
        <source>Change inner start</source>
        <translation>Inneren Anfang ändern</translation>
    </message>
    <message>
        <source>Than touch</source>
        <translation>Als Anschlag</translation>
    </message>
    <message>
        <source>Softer or harder than this</source>
        <translation>Leiser oder lauter als dieser</translation>
    </message>
    <message>
        <source>Where notes of the take on screen begin then</source>
        <translation>Wo Töne des Takes auf dem Bildschirm dann beginnen</translation>
    </message>
    <message>
        <source>Move inner start</source>
        <translation>Inneren Anfang verschieben</translation>
    </message>
    <message>
        <source>Find inner starts</source>
        <translation>Innere Anfänge suchen</translation>
    </message>
    <message>
        <source>Puts the inner start of every take of the layer where its attack is over</source>
        <translation>Setzt den inneren Anfang jedes Takes der Ebene dorthin, wo sein Anschlag vorbei ist</translation>
    </message>
</context>
<context>
    <name>puretone::app::ShapeStop</name>
    <message>
        <source>Shape</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>Tempo and pattern</source>
        <translation>Tempo und Muster</translation>
    </message>
    <message>
        <source>all layers</source>
        <translation>alle Ebenen</translation>
    </message>
    <message>
        <source>What is set here then belongs to every layer</source>
        <translation>Was hier gesetzt wird, gehört dann jeder Ebene</translation>
    </message>
    <message>
        <source>Sets envelope, loop, filter and notes from what this sound is</source>
        <translation>Setzt Hüllkurve, Loop, Filter und Töne nach dem, was dieser Klang ist</translation>
    </message>
    <message>
        <source>Switch movement</source>
        <translation>Bewegung schalten</translation>
    </message>
    <message>
        <source>Remove movement</source>
        <translation>Bewegung entfernen</translation>
    </message>
    <message>
        <source>Change movement</source>
        <translation>Bewegung ändern</translation>
    </message>
    <message>
        <source>Now move a controller: it will move the %1.</source>
        <translation>Jetzt einen Controller bewegen: er bewegt dann: %1.</translation>
    </message>
    <message>
        <source>Learn movement</source>
        <translation>Bewegung lernen</translation>
    </message>
    <message>
        <source>Add movement</source>
        <translation>Bewegung hinzufügen</translation>
    </message>
    <message>
        <source>Touch the value that a controller is to move.</source>
        <translation>Den Wert anfassen, den ein Controller bewegen soll.</translation>
    </message>
    <message>
        <source>Shape layer %1</source>
        <translation>Ebene %1 formen</translation>
    </message>
    <message>
        <source>It sounds as it did where %1 is at its highest, and less below.</source>
        <translation>Wo %1 am höchsten steht, klingt es wie zuvor, darunter weniger.</translation>
    </message>
</context>
<context>
    <name>puretone::app::Shaping</name>
    <message>
        <source>Listening to the takes…</source>
        <translation>Die Takes werden angehört…</translation>
    </message>
    <message>
        <source>Find inner starts</source>
        <translation>Innere Anfänge suchen</translation>
    </message>
</context>
<context>
    <name>puretone::app::ShareBar</name>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
</context>
<context>
    <name>puretone::app::Shelf</name>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Shelf of sounds</source>
        <translation>Klangregal</translation>
    </message>
    <message>
        <source>Folder…</source>
        <translation>Ordner…</translation>
    </message>
    <message>
        <source>Choose a folder of sounds to look through</source>
        <translation>Ordner mit Klängen zum Durchsehen wählen</translation>
    </message>
    <message>
        <source>Words of the name</source>
        <translation>Wörter des Namens</translation>
    </message>
    <message>
        <source>Search the shelf</source>
        <translation>Regal durchsuchen</translation>
    </message>
    <message>
        <source>Bring in as a take</source>
        <translation>Als Take hereinholen</translation>
    </message>
    <message>
        <source>Listens to it and lays it on the keys of the open layer (Enter)</source>
        <translation>Hört ihn an und legt ihn auf die Tasten der offenen Ebene (Eingabe)</translation>
    </message>
    <message>
        <source>In place of the take</source>
        <translation>Anstelle des Takes</translation>
    </message>
    <message>
        <source>The take on screen gets this sound; its keys and shape stay, and of its loop what fits</source>
        <translation>Der Take auf dem Bildschirm bekommt diesen Klang; Tasten und Form bleiben, vom Loop, was passt</translation>
    </message>
    <message>
        <source>Fold the shelf away (Ctrl+L)</source>
        <translation>Regal einklappen (Strg+L)</translation>
    </message>
    <message>
        <source>Shelf: look through a folder of sounds by ear (Ctrl+L)</source>
        <translation>Regal: einen Ordner voller Klänge mit dem Ohr durchsehen (Strg+L)</translation>
    </message>
    <message>
        <source>A folder of sounds</source>
        <translation>Ein Ordner voller Klänge</translation>
    </message>
    <message>
        <source>There is no sound file in that folder.</source>
        <translation>In diesem Ordner ist keine Klangdatei.</translation>
    </message>
    <message>
        <source>In place of %1</source>
        <translation>Anstelle von %1</translation>
    </message>
</context>
<context>
    <name>puretone::app::ShelfList</name>
    <message>
        <source>Sounds of the folder</source>
        <translation>Klänge des Ordners</translation>
    </message>
    <message>
        <source>The arrows choose and play a sound, Enter brings it in as a take</source>
        <translation>Die Pfeile wählen und spielen einen Klang, Eingabe holt ihn als Take herein</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <source>Choose a folder of sounds</source>
        <translation>Ordner mit Klängen wählen</translation>
    </message>
    <message>
        <source>No name holds these words</source>
        <translation>Kein Name enthält diese Wörter</translation>
    </message>
</context>
<context>
    <name>puretone::app::SoundStop</name>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>Open…</source>
        <translation>Öffnen…</translation>
    </message>
    <message>
        <source>WAV, AIFF, FLAC, Ogg, Opus or MP3 (Ctrl+O)</source>
        <translation>WAV, AIFF, FLAC, Ogg, Opus oder MP3 (Strg+O)</translation>
    </message>
    <message>
        <source>Record…</source>
        <translation>Aufnehmen…</translation>
    </message>
    <message>
        <source>Listens to an input and records it as another take (Ctrl+R)</source>
        <translation>Hört einen Eingang und nimmt ihn als weiteren Take auf (Strg+R)</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Where the kept part begins: on the first move of the attack</source>
        <translation>Wo der behaltene Teil beginnt: bei der ersten Regung des Anschlags</translation>
    </message>
    <message>
        <source>End</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>Where the kept part ends: where the decay meets the noise</source>
        <translation>Wo der behaltene Teil endet: wo das Verklingen das Rauschen trifft</translation>
    </message>
    <message>
        <source>straight</source>
        <translation>gerade</translation>
    </message>
    <message>
        <source>soft</source>
        <translation>weich</translation>
    </message>
    <message>
        <source>early</source>
        <translation>früh</translation>
    </message>
    <message>
        <source>late</source>
        <translation>spät</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation>Einblenden</translation>
    </message>
    <message>
        <source>A short slope at the start, so that it does not click; 0 for none</source>
        <translation>Ein kurzer Hang am Anfang, damit es nicht klickt; 0 für keinen</translation>
    </message>
    <message>
        <source>Curve in</source>
        <translation>Kurve ein</translation>
    </message>
    <message>
        <source>How the fade in grows: evenly, slowly at both ends, fast at first, slow at first</source>
        <translation>Wie das Einblenden wächst: gleichmäßig, an beiden Enden langsam, erst schnell, erst langsam</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>A short slope at the end; not heard while the sound loops; 0 for none</source>
        <translation>Ein kurzer Hang am Ende; nicht zu hören, solange der Klang loopt; 0 für keinen</translation>
    </message>
    <message>
        <source>Curve out</source>
        <translation>Kurve aus</translation>
    </message>
    <message>
        <source>The way back to silence, seen from the end: evenly, slowly at both ends, fast or slow at the very end</source>
        <translation>Der Weg zurück zur Stille, vom Ende gesehen: gleichmäßig, an beiden Enden langsam, ganz am Ende schnell oder langsam</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Of the kept part</source>
        <translation>Des behaltenen Teils</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Highest peak of the kept part</source>
        <translation>Höchste Spitze des behaltenen Teils</translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation>Lautheit</translation>
    </message>
    <message>
        <source>Of the kept part, after EBU R 128</source>
        <translation>Des behaltenen Teils, nach EBU R 128</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>Channels and frames per second of the file</source>
        <translation>Kanäle und Frames je Sekunde der Datei</translation>
    </message>
    <message>
        <source>Propose</source>
        <translation>Vorschlagen</translation>
    </message>
    <message>
        <source>Put start and end where the attack begins and the decay meets the noise</source>
        <translation>Setzt Anfang und Ende, wo der Anschlag beginnt und das Verklingen das Rauschen trifft</translation>
    </message>
    <message>
        <source>Keep all</source>
        <translation>Alles behalten</translation>
    </message>
    <message>
        <source>The whole recording, from the first frame to the last</source>
        <translation>Die ganze Aufnahme, vom ersten Frame bis zum letzten</translation>
    </message>
    <message>
        <source>Move start</source>
        <translation>Anfang verschieben</translation>
    </message>
    <message>
        <source>Move end</source>
        <translation>Ende verschieben</translation>
    </message>
    <message>
        <source>Change fade in</source>
        <translation>Einblenden ändern</translation>
    </message>
    <message>
        <source>Change fade out</source>
        <translation>Ausblenden ändern</translation>
    </message>
    <message>
        <source>Shape fade in</source>
        <translation>Einblenden formen</translation>
    </message>
    <message>
        <source>Shape fade out</source>
        <translation>Ausblenden formen</translation>
    </message>
    <message>
        <source>Propose kept part</source>
        <translation>Behaltenen Teil vorschlagen</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>Mono</translation>
    </message>
    <message>
        <source>stereo</source>
        <translation>stereo</translation>
    </message>
    <message>
        <source>%1 channels</source>
        <translation>%1 Kanäle</translation>
    </message>
    <message>
        <source>, %1 kHz</source>
        <translation>, %1 kHz</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>fade in</source>
        <translation>Einblenden</translation>
    </message>
    <message>
        <source>fade out</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>! +%1 clips in files</source>
        <translation>! +%1 übersteuert in Dateien</translation>
    </message>
    <message>
        <source>%1 peak</source>
        <translation>%1 Spitze</translation>
    </message>
    <message>
        <source>The loop lay outside what is kept: another one is searched for.</source>
        <translation>Der Loop lag außerhalb dessen, was behalten wird: Ein anderer wird gesucht.</translation>
    </message>
</context>
<context>
    <name>puretone::app::SpectrumView</name>
    <message>
        <source>Spectrum</source>
        <translation>Spektrum</translation>
    </message>
    <message>
        <source>The mean spectrum; the marks below it are where the partials of the note belong. Click a peak that does not belong to mark it for removal</source>
        <translation>Das mittlere Spektrum; die Striche darunter zeigen, wo die Teiltöne der Note hingehören. Eine fremde Spitze anklicken, um sie zum Entfernen zu markieren</translation>
    </message>
    <message>
        <source>, rings %1</source>
        <translation>, klingt %1</translation>
    </message>
    <message>
        <source>its own partials: rest on one for its note and how long it rings</source>
        <translation>seine eigenen Teiltöne: auf einem ruhen für seine Note und wie lange er klingt</translation>
    </message>
    <message>
        <source>partials of %1</source>
        <translation>Teiltöne von %1</translation>
    </message>
    <message>
        <source>%1 kHz</source>
        <translation>%1 kHz</translation>
    </message>
</context>
<context>
    <name>puretone::app::SplitPanel</name>
    <message>
        <source>Split this recording</source>
        <translation>Diese Aufnahme teilen</translation>
    </message>
    <message>
        <source>Quiet line</source>
        <translation>Ruhelinie</translation>
    </message>
    <message>
        <source>Below it nothing sounds; found by itself until you set it</source>
        <translation>Darunter klingt nichts; von selbst gefunden, bis sie gesetzt wird</translation>
    </message>
    <message>
        <source>Shortest</source>
        <translation>Kürzestes</translation>
    </message>
    <message>
        <source>Shorter pieces are slivers and left out, unless they are loud</source>
        <translation>Kürzere Stücke sind Splitter und bleiben weg, außer sie sind laut</translation>
    </message>
    <message>
        <source>Pieces end</source>
        <translation>Stücke enden</translation>
    </message>
    <message>
        <source>In the noise, where each note has died away; or where the next one begins</source>
        <translation>Im Rauschen, wo jeder Ton verklungen ist, oder wo der nächste beginnt</translation>
    </message>
    <message>
        <source>in the noise</source>
        <translation>im Rauschen</translation>
    </message>
    <message>
        <source>at the next</source>
        <translation>beim nächsten</translation>
    </message>
    <message>
        <source>Named by</source>
        <translation>Benannt nach</translation>
    </message>
    <message>
        <source>Each piece by the pitch that is read from it; or by a first note and a step, and what reads differently is marked</source>
        <translation>Jedes Stück nach der gelesenen Tonhöhe; oder nach erster Note und Schritt, und was anders gelesen wird, ist markiert</translation>
    </message>
    <message>
        <source>their pitch</source>
        <translation>ihrer Tonhöhe</translation>
    </message>
    <message>
        <source>a row of notes</source>
        <translation>einer Reihe</translation>
    </message>
    <message>
        <source>First note</source>
        <translation>Erste Note</translation>
    </message>
    <message>
        <source>The root key of the first piece</source>
        <translation>Der Grundton des ersten Stücks</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Semitones from one piece to the next; may be negative</source>
        <translation>Halbtöne von einem Stück zum nächsten; darf negativ sein</translation>
    </message>
    <message>
        <source>Find notes</source>
        <translation>Töne suchen</translation>
    </message>
    <message>
        <source>Shows where this recording of many notes would be cut; nothing is made yet</source>
        <translation>Zeigt, wo diese Aufnahme vieler Töne geschnitten würde; noch wird nichts gemacht</translation>
    </message>
    <message>
        <source>Show the split</source>
        <translation>Teilung zeigen</translation>
    </message>
    <message>
        <source>Shows where it would be cut; nothing is made yet</source>
        <translation>Zeigt, wo geschnitten würde; noch wird nichts gemacht</translation>
    </message>
    <message>
        <source>Each piece becomes a take around its own root; all share the one recording</source>
        <translation>Jedes Stück wird ein Take um seinen Grundton; alle teilen sich die eine Aufnahme</translation>
    </message>
    <message>
        <source>Begin a piece here</source>
        <translation>Hier ein Stück beginnen</translation>
    </message>
    <message>
        <source>Cut here</source>
        <translation>Hier schneiden</translation>
    </message>
    <message>
        <source>Join with the next</source>
        <translation>Mit dem nächsten verbinden</translation>
    </message>
    <message>
        <source>Take it in</source>
        <translation>Dazunehmen</translation>
    </message>
    <message>
        <source>Leave it out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Piece %1 start</source>
        <translation>Anfang von Stück %1</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Piece %1 end</source>
        <translation>Ende von Stück %1</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>sliver</source>
        <translation>Splitter</translation>
    </message>
    <message>
        <source>This recording holds %1 notes. Each can become a take on its own keys.</source>
        <translation>Diese Aufnahme enthält %1 Töne. Jeder kann ein Take auf eigenen Tasten werden.</translation>
    </message>
    <message>
        <source>Keep it as one</source>
        <translation>Als einen behalten</translation>
    </message>
    <message>
        <source>It is one take; you are not asked again</source>
        <translation>Es ist ein Take; die Frage kommt nicht wieder</translation>
    </message>
    <message>
        <source>1 note</source>
        <translation>1 Ton</translation>
    </message>
    <message>
        <source>%1 notes</source>
        <translation>%1 Töne</translation>
    </message>
    <message>
        <source>; a sliver is left out</source>
        <translation>; ein Splitter bleibt weg</translation>
    </message>
    <message>
        <source>; %1 slivers are left out</source>
        <translation>; %1 Splitter bleiben weg</translation>
    </message>
    <message>
        <source>Do not split</source>
        <translation>Nicht teilen</translation>
    </message>
    <message>
        <source>Takes the proposal away</source>
        <translation>Nimmt den Vorschlag weg</translation>
    </message>
    <message>
        <source>. Drag borders; double-click leaves a piece out; the right button cuts and joins.</source>
        <translation>. Grenzen ziehen; Doppelklick lässt ein Stück weg; die rechte Taste schneidet und verbindet.</translation>
    </message>
    <message>
        <source>Make 1 take</source>
        <translation>1 Take machen</translation>
    </message>
    <message>
        <source>Make %1 takes</source>
        <translation>%1 Takes machen</translation>
    </message>
    <message>
        <source>Cut at</source>
        <translation>Schneiden</translation>
    </message>
    <message>
        <source>Silences, and wherever something new begins; or silences alone, for notes that beat or swell</source>
        <translation>In der Stille und überall, wo Neues beginnt; oder nur in der Stille, für Töne, die schweben oder anschwellen</translation>
    </message>
    <message>
        <source>all beginnings</source>
        <translation>alle Anfänge</translation>
    </message>
    <message>
        <source>silences</source>
        <translation>Stille</translation>
    </message>
</context>
<context>
    <name>puretone::app::Splitting</name>
    <message>
        <source>Split into %1 takes</source>
        <translation>In %1 Takes teilen</translation>
    </message>
    <message>
        <source>%1 of %2 takes read as another note than their place in the row says; they are marked in the list.</source>
        <translation>%1 von %2 Takes werden anders gelesen, als ihr Platz in der Reihe sagt; sie sind in der Liste markiert.</translation>
    </message>
    <message>
        <source>%1 takes are on the keys, each around its own root.</source>
        <translation>%1 Takes liegen auf den Tasten, jeder um seinen Grundton.</translation>
    </message>
</context>
<context>
    <name>puretone::app::StackList</name>
    <message>
        <source>Variations</source>
        <translation>Varianten</translation>
    </message>
    <message>
        <source>Sounds of the same keys; drag one, or move it by Alt with the arrows</source>
        <translation>Klänge derselben Tasten; einen ziehen, oder mit Alt und Pfeilen verschieben</translation>
    </message>
</context>
<context>
    <name>puretone::app::TakeDrag</name>
    <message>
        <source>Writing %1, to be dragged out…</source>
        <translation>%1 wird zum Hinausziehen geschrieben…</translation>
    </message>
    <message>
        <source>%1 is written: drag it out once more.</source>
        <translation>%1 ist geschrieben: jetzt noch einmal hinausziehen.</translation>
    </message>
</context>
<context>
    <name>puretone::app::TakeList</name>
    <message>
        <source>Takes</source>
        <translation>Takes</translation>
    </message>
    <message>
        <source>Click a take to work on it; Delete removes the one on screen</source>
        <translation>Einen Take anklicken, um an ihm zu arbeiten; Entf entfernt den auf dem Bildschirm</translation>
    </message>
</context>
<context>
    <name>puretone::app::Treating</name>
    <message>
        <source>Hear again</source>
        <translation>Neu hinhören</translation>
    </message>
    <message>
        <source>Copy treatments to all takes</source>
        <translation>Bearbeitungen auf alle Takes übertragen</translation>
    </message>
    <message>
        <source>All %1 takes are treated alike.</source>
        <translation>Alle %1 Takes sind gleich bearbeitet.</translation>
    </message>
</context>
<context>
    <name>puretone::app::TreatmentPanel</name>
    <message>
        <source>Frequency</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>Where the filter works: a cut&apos;s -3 dB point, a bell&apos;s middle</source>
        <translation>Wo der Filter arbeitet: −3 dB eines Schnitts, Mitte einer Glocke</translation>
    </message>
    <message>
        <source>Slope</source>
        <translation>Steilheit</translation>
    </message>
    <message>
        <source>How steeply the cut falls: dB per octave</source>
        <translation>Wie steil der Schnitt fällt: dB je Oktave</translation>
    </message>
    <message>
        <source>Lift</source>
        <translation>Hub</translation>
    </message>
    <message>
        <source>How much the band is made louder or softer</source>
        <translation>Wie viel lauter oder leiser das Band wird</translation>
    </message>
    <message>
        <source>Narrowness</source>
        <translation>Schmalheit</translation>
    </message>
    <message>
        <source>Q: small is wide, large is narrow</source>
        <translation>Q: klein ist breit, groß ist schmal</translation>
    </message>
    <message>
        <source>Peak</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>The loudest moment of the kept part comes to stand here</source>
        <translation>Der lauteste Moment des behaltenen Teils kommt hierher</translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation>Lautheit</translation>
    </message>
    <message>
        <source>The kept part&apos;s loudness after EBU R 128 comes to stand here</source>
        <translation>Die Lautheit des behaltenen Teils nach EBU R 128 kommt hierher</translation>
    </message>
    <message>
        <source>Gain</source>
        <translation>Verstärkung</translation>
    </message>
    <message>
        <source>Makes everything louder or softer</source>
        <translation>Macht alles lauter oder leiser</translation>
    </message>
    <message>
        <source>Amount</source>
        <translation>Menge</translation>
    </message>
    <message>
        <source>How much of the slow change of level is taken out</source>
        <translation>Wie viel der langsamen Pegeländerung herausgenommen wird</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation>Gehört</translation>
    </message>
    <message>
        <source>All channels mixed to one, or the ones named below</source>
        <translation>Alle Kanäle zu einem gemischt, oder die unten genannten</translation>
    </message>
    <message>
        <source>all, mixed</source>
        <translation>alle, gemischt</translation>
    </message>
    <message>
        <source>as chosen</source>
        <translation>wie gewählt</translation>
    </message>
    <message>
        <source>Left from channel</source>
        <translation>Links von Kanal</translation>
    </message>
    <message>
        <source>Which channel is heard left</source>
        <translation>Welcher Kanal links zu hören ist</translation>
    </message>
    <message>
        <source>Right from channel</source>
        <translation>Rechts von Kanal</translation>
    </message>
    <message>
        <source>Which channel is heard right; the same as left makes mono</source>
        <translation>Welcher Kanal rechts zu hören ist; derselbe wie links ergibt mono</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Distance of the two sides: 0 % is mono, 100 % as recorded, 200 % twice as far</source>
        <translation>Abstand der Seiten: 0 % ist mono, 100 % wie aufgenommen, 200 % doppelt so weit</translation>
    </message>
    <message>
        <source>Measure again</source>
        <translation>Neu messen</translation>
    </message>
    <message>
        <source>Takes the level of the kept part as it is now; moving its ends does not</source>
        <translation>Nimmt den Pegel des behaltenen Teils, wie er jetzt ist; seine Enden zu bewegen tut das nicht</translation>
    </message>
    <message>
        <source>Switch off</source>
        <translation>Ausschalten</translation>
    </message>
    <message>
        <source>Hear the take without it; it stays in the list</source>
        <translation>Den Take ohne sie hören; sie bleibt in der Liste</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Takes it off the list</source>
        <translation>Nimmt sie von der Liste</translation>
    </message>
    <message>
        <source>Treat all takes alike</source>
        <translation>Alle Takes gleich bearbeiten</translation>
    </message>
    <message>
        <source>Gives every other take the same list; levels are measured on each by itself</source>
        <translation>Gibt jedem anderen Take dieselbe Liste; Pegel werden an jedem für sich gemessen</translation>
    </message>
    <message>
        <source>Pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>So many semitones up or down, at the same length</source>
        <translation>So viele Halbtöne hinauf oder hinab, bei gleicher Länge</translation>
    </message>
    <message>
        <source>Formants</source>
        <translation>Formanten</translation>
    </message>
    <message>
        <source>Where the colour of a voice goes by itself; 0 stays</source>
        <translation>Wohin die Farbe einer Stimme für sich geht; 0 bleibt</translation>
    </message>
    <message>
        <source>Voice %1</source>
        <translation>Stimme %1</translation>
    </message>
    <message>
        <source>How far from the sound it sings; 0 is silent</source>
        <translation>Wie weit vom Klang sie singt; 0 ist stumm</translation>
    </message>
    <message>
        <source>Level of each</source>
        <translation>Pegel jeder</translation>
    </message>
    <message>
        <source>Beside the sound itself</source>
        <translation>Neben dem Klang selbst</translation>
    </message>
    <message>
        <source>Apart</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>How far the voices stand apart</source>
        <translation>Wie weit die Stimmen auseinanderstehen</translation>
    </message>
    <message>
        <source>Whether the colour of a voice stays where it is, or moves with the pitch</source>
        <translation>Ob die Farbe einer Stimme bleibt, wo sie ist, oder mit der Tonhöhe wandert</translation>
    </message>
    <message>
        <source>move</source>
        <translation>wandern</translation>
    </message>
    <message>
        <source>are kept</source>
        <translation>bleiben</translation>
    </message>
    <message>
        <source>Treat…</source>
        <translation>Bearbeiten…</translation>
    </message>
    <message>
        <source>Treatments, in order</source>
        <translation>Bearbeitungen, der Reihe nach</translation>
    </message>
    <message>
        <source>What is done to the recording, from left to right. Click one for its values, double-click to switch it, drag to move it; the right button offers more</source>
        <translation>Was mit der Aufnahme getan wird, von links nach rechts. Anklicken für die Werte, Doppelklick zum Schalten, ziehen zum Verschieben; die rechte Taste bietet mehr</translation>
    </message>
    <message>
        <source>Change %1</source>
        <translation>%1 ändern</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>Switch %1 off</source>
        <translation>%1 ausschalten</translation>
    </message>
    <message>
        <source>Switch %1 on</source>
        <translation>%1 einschalten</translation>
    </message>
    <message>
        <source>Move %1</source>
        <translation>%1 verschieben</translation>
    </message>
    <message>
        <source>Remove %1</source>
        <translation>%1 entfernen</translation>
    </message>
    <message>
        <source>Low cut</source>
        <translation>Tiefenschnitt</translation>
    </message>
    <message>
        <source>Takes out rumble below the note</source>
        <translation>Nimmt Rumpeln unter dem Ton weg</translation>
    </message>
    <message>
        <source>High cut</source>
        <translation>Höhenschnitt</translation>
    </message>
    <message>
        <source>Takes out hiss</source>
        <translation>Nimmt Zischen weg</translation>
    </message>
    <message>
        <source>Remove DC</source>
        <translation>Gleichanteil entfernen</translation>
    </message>
    <message>
        <source>Puts the wave back in the middle</source>
        <translation>Rückt die Welle wieder in die Mitte</translation>
    </message>
    <message>
        <source>Bell</source>
        <translation>Glocke</translation>
    </message>
    <message>
        <source>Lifts or lowers around a frequency</source>
        <translation>Hebt oder senkt um eine Frequenz herum</translation>
    </message>
    <message>
        <source>Low shelf</source>
        <translation>Tiefenkuhschwanz</translation>
    </message>
    <message>
        <source>Lifts or lowers everything below</source>
        <translation>Hebt oder senkt alles darunter</translation>
    </message>
    <message>
        <source>High shelf</source>
        <translation>Höhenkuhschwanz</translation>
    </message>
    <message>
        <source>Lifts or lowers everything above</source>
        <translation>Hebt oder senkt alles darüber</translation>
    </message>
    <message>
        <source>Level to a peak</source>
        <translation>Pegel auf eine Spitze</translation>
    </message>
    <message>
        <source>The loudest moment comes to stand at -1 dB</source>
        <translation>Der lauteste Moment kommt auf −1 dB</translation>
    </message>
    <message>
        <source>Level to a loudness</source>
        <translation>Pegel auf eine Lautheit</translation>
    </message>
    <message>
        <source>The kept part comes to stand at -18 LUFS</source>
        <translation>Der behaltene Teil kommt auf −18 LUFS</translation>
    </message>
    <message>
        <source>Louder or softer</source>
        <translation>Lauter oder leiser</translation>
    </message>
    <message>
        <source>Even out</source>
        <translation>Ebnen</translation>
    </message>
    <message>
        <source>Levels a note that slowly swells or sags</source>
        <translation>Ebnet einen Ton, der langsam schwillt oder sinkt</translation>
    </message>
    <message>
        <source>Compress</source>
        <translation>Komprimieren</translation>
    </message>
    <message>
        <source>Holds loud moments back</source>
        <translation>Hält laute Momente zurück</translation>
    </message>
    <message>
        <source>Transpose</source>
        <translation>Transponieren</translation>
    </message>
    <message>
        <source>Another pitch at the same length, formants on their own</source>
        <translation>Andere Tonhöhe bei gleicher Länge, Formanten für sich</translation>
    </message>
    <message>
        <source>Harmony</source>
        <translation>Mehrstimmigkeit</translation>
    </message>
    <message>
        <source>Up to four voices beside the sound</source>
        <translation>Bis zu vier Stimmen neben dem Klang</translation>
    </message>
    <message>
        <source>Reverse</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>Plays it from the end</source>
        <translation>Spielt ihn vom Ende her</translation>
    </message>
    <message>
        <source>Mono from all</source>
        <translation>Mono aus allen</translation>
    </message>
    <message>
        <source>The mean of all channels</source>
        <translation>Das Mittel aller Kanäle</translation>
    </message>
    <message>
        <source>Mono from left</source>
        <translation>Mono von links</translation>
    </message>
    <message>
        <source>The left side alone</source>
        <translation>Nur die linke Seite</translation>
    </message>
    <message>
        <source>Mono from right</source>
        <translation>Mono von rechts</translation>
    </message>
    <message>
        <source>The right side alone</source>
        <translation>Nur die rechte Seite</translation>
    </message>
    <message>
        <source>Swap sides</source>
        <translation>Seiten tauschen</translation>
    </message>
    <message>
        <source>Left becomes right</source>
        <translation>Links wird rechts</translation>
    </message>
    <message>
        <source>Moves the sides together or apart</source>
        <translation>Rückt die Seiten zusammen oder auseinander</translation>
    </message>
    <message>
        <source>Choose channels</source>
        <translation>Kanäle wählen</translation>
    </message>
    <message>
        <source>Which two of them are heard</source>
        <translation>Welche zwei davon zu hören sind</translation>
    </message>
    <message>
        <source>Switch on</source>
        <translation>Einschalten</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Measured on the kept part when it was set.</source>
        <translation>Am behaltenen Teil gemessen, als sie gesetzt wurde.</translation>
    </message>
    <message>
        <source>Its values stand at Pitch.</source>
        <translation>Ihre Werte stehen bei Tonhöhe.</translation>
    </message>
    <message>
        <source>A chain as it stood at Effects when it was made part of this take. Take it off to change it there.</source>
        <translation>Eine Kette, wie sie bei Effekte stand, als sie Teil dieses Takes wurde. Von der Liste nehmen, um sie dort zu ändern.</translation>
    </message>
</context>
<context>
    <name>puretone::app::TrialPanel</name>
    <message>
        <source>Beside a plain tone</source>
        <translation>Neben reinem Ton</translation>
    </message>
    <message>
        <source>Tone…</source>
        <translation>Ton…</translation>
    </message>
    <message>
        <source>Sine or soft, how loud, which octave, and how the two are heard</source>
        <translation>Sinus oder weich, wie laut, welche Oktave, und wie beide zu hören sind</translation>
    </message>
    <message>
        <source>Beating</source>
        <translation>Schwebung</translation>
    </message>
    <message>
        <source>Hear both</source>
        <translation>Beide hören</translation>
    </message>
    <message>
        <source>The root key with the tone that belongs to it; press other keys meanwhile and the tone follows</source>
        <translation>Der Grundton mit dem Ton, der dazugehört; andere Tasten drücken, und der Ton folgt</translation>
    </message>
    <message>
        <source>Stand still</source>
        <translation>Stillstehen</translation>
    </message>
    <message>
        <source>Moves the fine tuning by what the beating says</source>
        <translation>Bewegt die Feinstimmung um das, was die Schwebung sagt</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Sine</source>
        <translation>Sinus</translation>
    </message>
    <message>
        <source>Soft, with overtones</source>
        <translation>Weich, mit Obertönen</translation>
    </message>
    <message>
        <source>Heard</source>
        <translation>Gehört</translation>
    </message>
    <message>
        <source>Together</source>
        <translation>Zusammen</translation>
    </message>
    <message>
        <source>In turn</source>
        <translation>Abwechselnd</translation>
    </message>
    <message>
        <source>Take left, tone right</source>
        <translation>Take links, Ton rechts</translation>
    </message>
    <message>
        <source>Octave</source>
        <translation>Oktave</translation>
    </message>
    <message>
        <source>Two below</source>
        <translation>Zwei tiefer</translation>
    </message>
    <message>
        <source>One below</source>
        <translation>Eine tiefer</translation>
    </message>
    <message>
        <source>Its own</source>
        <translation>Seine eigene</translation>
    </message>
    <message>
        <source>One above</source>
        <translation>Eine höher</translation>
    </message>
    <message>
        <source>Two above</source>
        <translation>Zwei höher</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>No partial lies near the tone. Try the soft tone, or another octave.</source>
        <translation>Kein Teilton liegt beim Ton. Den weichen Ton oder eine andere Oktave versuchen.</translation>
    </message>
    <message>
        <source>No partial lies near the tone.</source>
        <translation>Kein Teilton liegt beim Ton.</translation>
    </message>
    <message>
        <source>, heard at partial %1</source>
        <translation>, zu hören an Teilton %1</translation>
    </message>
    <message>
        <source>Stands still%1.</source>
        <translation>Steht still%1.</translation>
    </message>
    <message>
        <source>Open a recording first.</source>
        <translation>Erst eine Aufnahme öffnen.</translation>
    </message>
    <message>
        <source>%1 beats a second, %2 cents sharp%3.</source>
        <translation>%1 Schwebungen je Sekunde, %2 Cent zu hoch%3.</translation>
    </message>
    <message>
        <source>%1 beats a second, %2 cents flat%3.</source>
        <translation>%1 Schwebungen je Sekunde, %2 Cent zu tief%3.</translation>
    </message>
    <message>
        <source>Stands still as long as it lasts, %1 cents sharp%2.</source>
        <translation>Steht still, solange es klingt, %1 Cent zu hoch%2.</translation>
    </message>
    <message>
        <source>Stands still as long as it lasts, %1 cents flat%2.</source>
        <translation>Steht still, solange es klingt, %1 Cent zu tief%2.</translation>
    </message>
</context>
<context>
    <name>puretone::app::ValueField</name>
    <message>
        <source>various</source>
        <translation>verschieden</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be read as a value for &quot;%2&quot;.</source>
        <translation>&quot;%1&quot; lässt sich nicht als Wert für &quot;%2&quot; lesen.</translation>
    </message>
    <message>
        <source>%1 must lie between %2 and %3.</source>
        <translation>%1 muss zwischen %2 und %3 liegen.</translation>
    </message>
</context>
<context>
    <name>puretone::app::WaveBench</name>
    <message>
        <source>Drop a recording here, open one with Ctrl+O,
or record one with Ctrl+R.

One sound is enough: a sung note, a bell, a bottle.</source>
        <translation>Hier eine Aufnahme ablegen, eine mit Strg+O öffnen,
oder eine mit Strg+R aufnehmen.

Ein Klang genügt: ein gesungener Ton, eine Glocke, eine Flasche.</translation>
    </message>
</context>
<context>
    <name>puretone::app::WaveStrip</name>
    <message>
        <source>Whole recording</source>
        <translation>Ganze Aufnahme</translation>
    </message>
    <message>
        <source>The whole recording; drag to move the large view</source>
        <translation>Die ganze Aufnahme; ziehen bewegt die große Ansicht</translation>
    </message>
</context>
<context>
    <name>puretone::app::WaveView</name>
    <message>
        <source>Wave</source>
        <translation>Welle</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
</context>
<context>
    <name>puretone::app::ZoneBench</name>
    <message>
        <source>Layers over the keys</source>
        <translation>Ebenen über den Tasten</translation>
    </message>
    <message>
        <source>Which keys and touches play which take. The left and right arrows choose a block, with Shift more; its borders are fields beside the picture.</source>
        <translation>Welche Tasten und Anschläge welchen Take spielen. Links und Rechts wählen einen Block, mit Umschalt mehr; seine Grenzen stehen als Felder neben dem Bild.</translation>
    </message>
    <message>
        <source>Move zone border</source>
        <translation>Zonengrenze verschieben</translation>
    </message>
    <message>
        <source>Change crossover</source>
        <translation>Übergang ändern</translation>
    </message>
    <message>
        <source>Move zones</source>
        <translation>Zonen verschieben</translation>
    </message>
    <message>
        <source>Move zone</source>
        <translation>Zone verschieben</translation>
    </message>
    <message>
        <source>%1 stays silent</source>
        <translation>%1 bleibt stumm</translation>
    </message>
    <message>
        <source>%1 plays %2</source>
        <translation>%1 spielt %2</translation>
    </message>
    <message>
        <source>%1 plays %2 together</source>
        <translation>%1 spielt %2 zusammen</translation>
    </message>
    <message>
        <source> and </source>
        <translation> und </translation>
    </message>
    <message>
        <source>no keys yet</source>
        <translation>noch keine Tasten</translation>
    </message>
    <message>
        <source>one sound on every key</source>
        <translation>ein Klang auf jeder Taste</translation>
    </message>
    <message>
        <source>a frozen moment</source>
        <translation>ein eingefrorener Moment</translation>
    </message>
    <message>
        <source>keeps its length</source>
        <translation>behält seine Länge</translation>
    </message>
    <message>
        <source>%1 in turn</source>
        <translation>%1 abwechselnd</translation>
    </message>
    <message>
        <source>%1 at random</source>
        <translation>%1 zufällig</translation>
    </message>
    <message>
        <source>when a key comes up</source>
        <translation>wenn eine Taste hochkommt</translation>
    </message>
    <message>
        <source>when a phrase begins</source>
        <translation>wenn eine Phrase beginnt</translation>
    </message>
    <message>
        <source>within a phrase</source>
        <translation>innerhalb einer Phrase</translation>
    </message>
    <message>
        <source>1 take</source>
        <translation>1 Take</translation>
    </message>
    <message>
        <source>%1 takes</source>
        <translation>%1 Takes</translation>
    </message>
    <message>
        <source> · </source>
        <translation> · </translation>
    </message>
    <message>
        <source>touch</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>No key plays anything yet</source>
        <translation>Noch spielt keine Taste etwas</translation>
    </message>
    <message>
        <source>No key plays this layer yet</source>
        <translation>Noch spielt keine Taste diese Ebene</translation>
    </message>
    <message>
        <source>thin above here</source>
        <translation>dünn darüber</translation>
    </message>
    <message>
        <source>slow below here</source>
        <translation>träge darunter</translation>
    </message>
    <message>
        <source>crosses over %1 touches</source>
        <translation>geht über %1 Anschläge über</translation>
    </message>
    <message>
        <source>crosses over %1 keys</source>
        <translation>geht über %1 Tasten über</translation>
    </message>
    <message>
        <source>touch %1 to %2</source>
        <translation>Anschlag %1 bis %2</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
    <message>
        <source>%1 · root %2</source>
        <translation>%1 · Grundton %2</translation>
    </message>
    <message>
        <source>%1 · no pitch</source>
        <translation>%1 · keine Tonhöhe</translation>
    </message>
</context>
<context>
    <name>puretone::app::ZonePanel</name>
    <message>
        <source>Lowest key</source>
        <translation>Tiefste Taste</translation>
    </message>
    <message>
        <source>Below it the keys are silent</source>
        <translation>Darunter sind die Tasten stumm</translation>
    </message>
    <message>
        <source>Set lowest key</source>
        <translation>Tiefste Taste setzen</translation>
    </message>
    <message>
        <source>Highest key</source>
        <translation>Höchste Taste</translation>
    </message>
    <message>
        <source>Above it the keys are silent</source>
        <translation>Darüber sind die Tasten stumm</translation>
    </message>
    <message>
        <source>Set highest key</source>
        <translation>Höchste Taste setzen</translation>
    </message>
    <message>
        <source>Softest</source>
        <translation>Leisester</translation>
    </message>
    <message>
        <source>Softer touches are silent (velocity 1 to 127)</source>
        <translation>Leisere Anschläge sind stumm (Velocity 1 bis 127)</translation>
    </message>
    <message>
        <source>Set softest touch</source>
        <translation>Leisesten Anschlag setzen</translation>
    </message>
    <message>
        <source>Hardest</source>
        <translation>Lautester</translation>
    </message>
    <message>
        <source>Harder touches are silent (velocity 1 to 127)</source>
        <translation>Lautere Anschläge sind stumm (Velocity 1 bis 127)</translation>
    </message>
    <message>
        <source>Set hardest touch</source>
        <translation>Lautesten Anschlag setzen</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Of these keys against others</source>
        <translation>Dieser Tasten gegen andere</translation>
    </message>
    <message>
        <source>Set level of keys</source>
        <translation>Pegel der Tasten setzen</translation>
    </message>
    <message>
        <source>Sounds of the same keys, in their order</source>
        <translation>Klänge derselben Tasten, in ihrer Reihenfolge</translation>
    </message>
    <message>
        <source>Place, tune, crossovers</source>
        <translation>Ort, Stimmung, Übergänge</translation>
    </message>
    <message>
        <source>Lay this take on keys</source>
        <translation>Take auf Tasten legen</translation>
    </message>
    <message>
        <source>Lays the take on screen on keys of this layer</source>
        <translation>Legt den Take auf dem Bildschirm auf Tasten dieser Ebene</translation>
    </message>
    <message>
        <source>Take off these keys</source>
        <translation>Von diesen Tasten nehmen</translation>
    </message>
    <message>
        <source>The keys no longer play it; the take itself stays (Delete)</source>
        <translation>Die Tasten spielen ihn nicht mehr; der Take selbst bleibt (Entf)</translation>
    </message>
    <message>
        <source>Lay take on keys</source>
        <translation>Take auf Tasten legen</translation>
    </message>
    <message>
        <source>Order variations</source>
        <translation>Varianten ordnen</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Left or right</source>
        <translation>Links oder rechts</translation>
    </message>
    <message>
        <source>Place keys</source>
        <translation>Tasten setzen</translation>
    </message>
    <message>
        <source>Tune</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>Of these keys, beside the take&apos;s own</source>
        <translation>Dieser Tasten, zur eigenen des Takes</translation>
    </message>
    <message>
        <source>Tune keys</source>
        <translation>Tasten stimmen</translation>
    </message>
    <message>
        <source>Fade, low keys</source>
        <translation>Übergang, tief</translation>
    </message>
    <message>
        <source>Keys over which it rises from the lowest one</source>
        <translation>Tasten, über die er von der tiefsten an anschwillt</translation>
    </message>
    <message>
        <source>Fade, high keys</source>
        <translation>Übergang, hoch</translation>
    </message>
    <message>
        <source>Keys over which it falls to the highest one</source>
        <translation>Tasten, über die er bis zur höchsten verklingt</translation>
    </message>
    <message>
        <source>Fade, soft</source>
        <translation>Übergang, leise</translation>
    </message>
    <message>
        <source>Touches over which it rises from the softest one</source>
        <translation>Anschläge, über die er vom leisesten an anschwillt</translation>
    </message>
    <message>
        <source>Fade, hard</source>
        <translation>Übergang, laut</translation>
    </message>
    <message>
        <source>Touches over which it falls to the hardest one</source>
        <translation>Anschläge, über die er bis zum lautesten verklingt</translation>
    </message>
    <message>
        <source>Change crossover</source>
        <translation>Übergang ändern</translation>
    </message>
    <message>
        <source>Nothing chosen</source>
        <translation>Nichts gewählt</translation>
    </message>
    <message>
        <source>%1 zones</source>
        <translation>%1 Zonen</translation>
    </message>
    <message>
        <source>%1 more</source>
        <translation>%1 weitere</translation>
    </message>
    <message>
        <source>Shares keys with %1: they sound together. Set apart by keys or touch, or one after the other, each sounds alone.</source>
        <translation>Teilt sich Tasten mit %1: sie klingen zusammen. Nach Tasten oder Anschlag getrennt, oder abwechselnd, klingt jeder allein.</translation>
    </message>
    <message>
        <source>Take turns</source>
        <translation>Abwechseln</translation>
    </message>
    <message>
        <source>The sounds of this layer that share keys are played one after the other</source>
        <translation>Die Klänge dieser Ebene, die sich Tasten teilen, erklingen der Reihe nach</translation>
    </message>
    <message>
        <source>, </source>
        <translation>, </translation>
    </message>
</context>
</TS>
