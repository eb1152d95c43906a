# Everything that is not ours, as imported targets whose headers are system headers.
find_package(PkgConfig REQUIRED)
find_package(Threads REQUIRED)
foreach(library sndfile soxr fftw3f rtaudio rtmidi libzip smf)
  pkg_check_modules(${library} REQUIRED IMPORTED_TARGET ${library})
endforeach()
find_package(nlohmann_json REQUIRED)
find_package(CLI11 REQUIRED)
find_package(tl-expected REQUIRED)

# libebur128 and xxhash come without usable CMake or pkg-config files.
find_path(EBUR128_INCLUDE ebur128.h REQUIRED)
find_library(EBUR128_LIBRARY ebur128 REQUIRED)
add_library(ebur128 INTERFACE)
target_include_directories(ebur128 SYSTEM INTERFACE ${EBUR128_INCLUDE})
target_link_libraries(ebur128 INTERFACE ${EBUR128_LIBRARY})
find_path(XXHASH_INCLUDE xxhash.h REQUIRED)
add_library(xxhash_headers INTERFACE)
target_include_directories(xxhash_headers SYSTEM INTERFACE ${XXHASH_INCLUDE})
