package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The tables of the type library, the shelf and the doubts. */
@Mapper
interface LibraryMapper {
    record SummaryRow(String summary, boolean putAway) {}

    record TypeRow(
            String typeId,
            String source,
            String derivedFrom,
            String definition,
            String notes,
            @Nullable String digest,
            boolean putAway,
            String changedAt) {}

    record OriginalRow(String digest, String fileName, String at) {}

    record ShelfRow(String typeId, int owned) {}

    record DoubtRow(String typeId, String mode, String note, String who, String at) {}

    @Select("select summary, put_away from library_type")
    List<SummaryRow> summaries();

    @Select("""
            select type_id, source, derived_from, definition, notes, digest, put_away, changed_at
            from library_type where type_id = #{id}
            """)
    Optional<TypeRow> find(@Param("id") String id);

    @Select("select type_id from library_type where guid = #{guid} order by changed_at desc limit 1")
    Optional<String> idOfGuid(@Param("guid") String guid);

    @Insert("""
            insert into library_type
                (type_id, guid, source, derived_from, definition, summary, notes, digest, put_away, changed_at)
            values (#{id}, #{guid}, #{source}, #{derivedFrom}, #{definition}, #{summary}, #{notes}, #{digest}, 0, #{at})
            on conflict (type_id) do update set guid = excluded.guid, source = excluded.source,
                derived_from = excluded.derived_from, definition = excluded.definition, summary = excluded.summary,
                notes = excluded.notes, digest = excluded.digest, put_away = 0, changed_at = excluded.changed_at
            """)
    void put(
            @Param("id") String id,
            @Param("guid") String guid,
            @Param("source") String source,
            @Param("derivedFrom") String derivedFrom,
            @Param("definition") String definition,
            @Param("summary") String summary,
            @Param("notes") String notes,
            @Param("digest") @Nullable String digest,
            @Param("at") String at);

    @Update("update library_type set put_away = #{putAway} where type_id = #{id} and put_away <> #{putAway}")
    int putAway(@Param("id") String id, @Param("putAway") boolean putAway);

    @Insert("""
            insert into original_file (digest, file_name, content, added_at)
            values (#{digest}, #{fileName}, #{content}, #{at}) on conflict (digest) do nothing
            """)
    void addFile(
            @Param("digest") String digest,
            @Param("fileName") String fileName,
            @Param("content") byte[] content,
            @Param("at") String at);

    @Insert("""
            insert into type_original (type_id, digest, at) values (#{id}, #{digest}, #{at})
            on conflict (type_id, digest) do update set at = excluded.at
            """)
    void addOriginal(@Param("id") String id, @Param("digest") String digest, @Param("at") String at);

    @Select("""
            select o.digest, f.file_name, o.at from type_original o join original_file f on f.digest = o.digest
            where o.type_id = #{id} order by o.at desc
            """)
    List<OriginalRow> originals(@Param("id") String id);

    @Select("select content from original_file where digest = #{digest}")
    Optional<byte[]> content(@Param("digest") String digest);

    record GuideRow(String typeId, String guide) {}

    @Select("select type_id, guide from setting_guide")
    List<GuideRow> guides();

    @Insert("""
            insert into setting_guide (type_id, guide) values (#{id}, #{guide})
            on conflict (type_id) do update set guide = excluded.guide
            """)
    void describe(@Param("id") String id, @Param("guide") String guide);

    @Select("select type_id, owned from shelf")
    List<ShelfRow> shelf();

    @Insert("""
            insert into shelf (type_id, owned) values (#{id}, #{owned})
            on conflict (type_id) do update set owned = excluded.owned
            """)
    void own(@Param("id") String id, @Param("owned") int owned);

    @Delete("delete from shelf where type_id = #{id}")
    void offShelf(@Param("id") String id);

    @Select("select type_id, mode, note, who, at from doubt")
    List<DoubtRow> doubts();

    @Insert("""
            insert into doubt (type_id, mode, note, who, at) values (#{id}, #{mode}, #{note}, #{who}, #{at})
            on conflict (type_id, mode) do update set note = excluded.note, who = excluded.who, at = excluded.at
            """)
    void doubt(
            @Param("id") String id,
            @Param("mode") String mode,
            @Param("note") String note,
            @Param("who") String who,
            @Param("at") String at);

    @Delete("delete from doubt where type_id = #{id} and mode = #{mode}")
    int trust(@Param("id") String id, @Param("mode") String mode);
}
