package taxon.app.store;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of equipment lists. */
@Mapper
interface ImportMapper {
    record ImportRow(int id, String fileName, byte[] content, String choices, String state) {}

    @Select("select coalesce(max(id), 0) + 1 from equipment_import")
    int nextId();

    @Insert("""
            insert into equipment_import (id, job_id, file_name, content, choices, state, made_at)
            values (#{id}, #{job}, #{fileName}, #{content}, '{}', 'OPEN', #{at})
            """)
    void add(
            @Param("id") int id,
            @Param("job") int job,
            @Param("fileName") String fileName,
            @Param("content") byte[] content,
            @Param("at") String at);

    @Select("select id, file_name, content, choices, state from equipment_import where job_id = #{job} and id = #{id}")
    Optional<ImportRow> find(@Param("job") int job, @Param("id") int id);

    @Update("update equipment_import set choices = #{choices} where job_id = #{job} and id = #{id}")
    void choose(@Param("job") int job, @Param("id") int id, @Param("choices") String choices);

    @Update("update equipment_import set state = #{state} where job_id = #{job} and id = #{id} and state = 'OPEN'")
    int end(@Param("job") int job, @Param("id") int id, @Param("state") String state);
}
