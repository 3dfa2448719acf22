package dev.deftchisel.operation;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.analysis.symbol.SymbolKind;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NewNameTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            LOCAL_VARIABLE | 17 | depth      |
            LOCAL_VARIABLE | 17 | record     |
            LOCAL_VARIABLE | 17 | var        |
            LOCAL_VARIABLE | 17 | yield      |
            METHOD         | 17 | record     |
            LOCAL_VARIABLE | 17 | _          | '_' is not a name from Java 9 on
            LOCAL_VARIABLE | 17 | while      | 'while' is a keyword of Java 17
            LOCAL_VARIABLE | 17 | null       | 'null' is a keyword of Java 17
            LOCAL_VARIABLE | 17 | 2nd        | '2nd' is not a legal name in Java: it cannot start with '2'
            FIELD          | 17 | low water  | 'low water' is not a legal name in Java: it contains ' '
            CLASS          | 17 | var        | 'var' cannot be the name of a type in Java 17
            CLASS          |  8 | var        |
            CLASS          | 17 | yield      | 'yield' cannot be the name of a type in Java 17
            RECORD         | 17 | record     | 'record' cannot be the name of a type in Java 17
            INTERFACE      | 11 | record     |
            TYPE_PARAMETER | 17 | permits    | 'permits' cannot be the name of a type in Java 17
            RECORD_COMPONENT | 17 | hashCode | 'hashCode' cannot be the name of a record component
            METHOD         | 17 | hashCode   |
            PACKAGE        | 17 | harbour.sea |
            PACKAGE        | 17 | harbour..sea | 'harbour..sea' is not a legal name in Java: a part of it is empty
            PACKAGE        | 17 | harbour.new | 'new' is a keyword of Java 17
            """)
    void theLanguageDecides(SymbolKind kind, int level, String name, String objection) {
        assertEquals(Optional.ofNullable(objection), new NewName(name, kind, level).objection());
    }

    @ParameterizedTest
    @CsvSource({"CLASS,berth,true", "CLASS,Berth,false", "METHOD,Moor,true", "FIELD,depth,false", "FIELD,Depth,true",
        "ENUM_CONSTANT,High,false", "LABEL,Search,false", "PACKAGE,Harbour,true", "TYPE_PARAMETER,k,true"})
    void conventionIsOnlyANote(SymbolKind kind, String name, boolean isNoted) {
        assertEquals(isNoted, new NewName(name, kind, 17).unconventional(Set.of()).isPresent());
    }

    @ParameterizedTest
    @CsvSource({"DEPTH", "depth"})
    void constantsMayBeWrittenEitherWay(String name) {
        assertEquals(Optional.empty(),
                new NewName(name, SymbolKind.FIELD, 17).unconventional(Set.of(Modifier.STATIC, Modifier.FINAL)));
    }
}
