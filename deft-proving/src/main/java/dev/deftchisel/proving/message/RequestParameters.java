package dev.deftchisel.proving.message;

import com.google.gson.JsonElement;
import dev.deftchisel.source.LineMap;
import java.util.Map;
import java.util.Optional;

/**
 * What is sent along with requests: about one place of one open file.
 *
 * @param uri    of the file
 * @param text   of the file as the editor has it
 * @param caret  an offset in it, within a name
 * @param type   the offset of the name of a type in it
 * @param folder that the editor has open, as an address
 */
record RequestParameters(String uri, String text, int caret, int type, String folder) {

    private static final int LINES = 40;

    private static final Map<String, String> FIXED = Map.of("none", "{}", "trace", "{'value':'off'}",
            "settings", "{'settings':{}}", "query", "{'query':'IW'}", "label", "{'label':'moor'}",
            "token", "{'token':'none'}", "known", "{'previousResultIds':[]}", "watched", "{'changes':[]}",
            "folders", "{'event':{'added':[],'removed':[]}}",
            "command", "{'command':'deft.nothing','arguments':[]}");

    /**
     * As JSON.
     *
     * @param name     from {@link ProtocolMethod#parameters()}
     * @param previous the answer to the request that this one follows up
     */
    String json(String name, Optional<JsonElement> previous) {
        if (FIXED.containsKey(name)) {
            return Wire.json(FIXED.get(name));
        }
        if (name.startsWith("item:")) {
            return Wire.json("{'item':%s}", previous.map(JsonElement::toString).orElse("null"));
        }
        if (name.startsWith("each:")) {
            return previous.map(JsonElement::toString).orElse("{}");
        }
        String document = Wire.json("'textDocument':{'uri':%s}", Wire.text(uri));
        String position = position(caret);
        String range = Wire.json("{'start':%s,'end':%s}", position(Math.max(0, caret)), below());
        return switch (name) {
            case "place" -> Wire.json("{%s,'position':%s}", document, position);
            case "type" -> Wire.json("{%s,'position':%s}", document, position(type));
            case "uses" -> Wire.json("{%s,'position':%s,'context':{'includeDeclaration':true}}", document, position);
            case "places" -> Wire.json("{%s,'positions':[%s]}", document, position);
            case "rename" -> Wire.json("{%s,'position':%s,'newName':'zq17'}", document, position);
            case "range" -> Wire.json("{%s,'range':%s,'context':{'frameId':1,'stoppedLocation':%s}}", document, range,
                    range);
            case "actions" -> Wire.json("{%s,'range':{'start':%s,'end':%s},'context':{'diagnostics':[]}}", document,
                    position, position);
            case "delta" -> Wire.json("{%s,'previousResultId':%s}", document,
                    previous.map(JsonElement::toString).orElse("'none'".replace('\'', '"')));
            case "color" -> Wire.json("{%s,'color':{'red':0,'green':0,'blue':1,'alpha':1},'range':%s}", document,
                    range);
            case "layout" -> Wire.json("{%s,'range':%s,'options':{'tabSize':4,'insertSpaces':true}}", document, range);
            case "typed" -> Wire.json("{%s,'position':%s,'ch':'}','options':{'tabSize':4,'insertSpaces':true}}",
                    document, position);
            case "created" -> Wire.json("{'files':[{'uri':%s}]}", Wire.text(folder + "zq/New.java"));
            case "deleted" -> Wire.json("{'files':[{'uri':%s}]}", Wire.text(uri));
            case "renamed" -> Wire.json("{'files':[{'oldUri':%s,'newUri':%s}]}", Wire.text(uri),
                    Wire.text(uri.replaceFirst("(\\w+)\\.java$", "Zq$1.java")));
            case "symbol" -> Wire.json("{'name':'moor','kind':6,'location':{'uri':%s}}", Wire.text(uri));
            case "document" -> Wire.json("{%s}", document);
            default -> throw new IllegalArgumentException("there are no parameters '" + name + "'");
        };
    }

    private String position(int offset) {
        return Wire.position(LineMap.of(text), offset);
    }

    /** A place some lines below the caret: what is seen of the file. */
    private String below() {
        int offset = caret;
        for (int line = 0; line < LINES && text.indexOf('\n', offset) >= 0; line++) {
            offset = text.indexOf('\n', offset) + 1;
        }
        return position(offset);
    }
}
