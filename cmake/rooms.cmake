# A room is one folder of src/ and one library; it links only the rooms it may see.
function(puretone_warnings target)
  # The warnings of GCC 12 are errors; clang, for fuzzing, has others.
  if(NOT CMAKE_CXX_COMPILER_ID STREQUAL "GNU")
    return()
  endif()
  target_compile_options(${target} PRIVATE -Wall -Wextra -Wconversion -Wshadow -Werror)
  if(PURETONE_SANITIZE)
    # GCC 12 sees overlaps in std::string that are not there once it is sanitized (GCC bug 105651).
    target_compile_options(${target} PRIVATE -Wno-restrict -Wno-maybe-uninitialized)
  endif()
endfunction()

# Files that have flags of their own stay alone.
function(puretone_together target)
  set_target_properties(${target} PROPERTIES UNITY_BUILD ${PURETONE_UNITY} UNITY_BUILD_BATCH_SIZE 10)
endfunction()

function(puretone_room name)
  cmake_parse_arguments(ROOM "" "" "SEES;LIBRARIES" ${ARGN})
  file(GLOB_RECURSE sources CONFIGURE_DEPENDS ${CMAKE_CURRENT_SOURCE_DIR}/${name}/*.cpp)
  add_library(puretone_${name} STATIC ${sources})
  target_include_directories(puretone_${name} PUBLIC ${CMAKE_SOURCE_DIR}/src)
  list(TRANSFORM ROOM_SEES PREPEND puretone_)
  target_link_libraries(puretone_${name} PUBLIC ${ROOM_SEES} PRIVATE ${ROOM_LIBRARIES})
  puretone_warnings(puretone_${name})
  puretone_together(puretone_${name})
endfunction()
