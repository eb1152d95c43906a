<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en" sourcelanguage="en">
<context>
    <name>puretone::app::Looping</name>
    <message numerus="yes">
        <source>The loop was copied to %n other take(s).</source>
        <translation>
            <numerusform>The loop was copied to one other take.</numerusform>
            <numerusform>The loop was copied to %n other takes.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>puretone::app::Opening</name>
    <message numerus="yes">
        <source>%1 is ready; %n of its settings are not played here.</source>
        <translation>
            <numerusform>%1 is ready; one of its settings is not played here.</numerusform>
            <numerusform>%1 is ready; %n of its settings are not played here.</numerusform>
        </translation>
    </message>
</context>
</TS>
